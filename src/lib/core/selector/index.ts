export { selectorsIn, wholeSelector, withParent } from './nested.ts';
export { compareSpecificity, keyOf, specificityOf, type Key, type Specificity } from './specificity.ts';
export { STATE_ATTRIBUTES, statesOf } from './states.ts';
