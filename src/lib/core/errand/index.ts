export {
	errandFor,
	errandIn,
	errandSchema,
	errandSentence,
	givenClasses,
	givenPageSchema,
	type Errand,
	type GivenPage
} from './errand.ts';
export { unsteadyNames, unsteadySchema, type UnsteadyName } from './saves.ts';
