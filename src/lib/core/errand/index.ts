export {
	errandFor,
	errandIn,
	errandSchema,
	errandSentence,
	givenSchema,
	withErrands,
	type Errand,
	type Given
} from './errand.ts';
export { unsteadyNames, unsteadySchema, type UnsteadyName } from './saves.ts';
export { requestsToHost, type ErrandRequest } from './errandRequest.ts';
