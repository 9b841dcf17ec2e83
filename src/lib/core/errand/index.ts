export {
	errandFor,
	errandIn,
	errandSchema,
	errandSentence,
	givenSchema,
	withErrands,
	type Errand,
	type ErrandWish,
	type Given
} from './errand.ts';
export { unsteadyNames, unsteadySchema, type UnsteadyName } from './saves.ts';
