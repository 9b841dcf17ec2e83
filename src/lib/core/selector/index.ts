export { selectorsIn, wholeSelector, withParent } from './nested.ts';
export {
	compareSpecificity,
	keyOf,
	specificityOf,
	withStates,
	type Key,
	type Specificity
} from './specificity.ts';
