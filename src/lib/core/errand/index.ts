export {
	errandFor,
	errandIn,
	errandOffset,
	errandSchema,
	errandSentence,
	givenSchema,
	withErrands,
	type Errand,
	type Given
} from './errand.ts';
export { changedErrands, errandChangeSchema, errandsBack, type ErrandChange } from './listed.ts';
export { unsteadyNames, unsteadySchema, type UnsteadyName } from './saves.ts';
export { requestsToHost, type ErrandRequest } from './errandRequest.ts';
