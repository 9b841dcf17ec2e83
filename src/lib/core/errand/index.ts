export {
	errandFor,
	errandIn,
	errandSchema,
	errandSentence,
	givenClasses,
	givenSchema,
	type Errand,
	type Given
} from './errand.ts';
export { unsteadyNames, unsteadySchema, type UnsteadyName } from './saves.ts';
