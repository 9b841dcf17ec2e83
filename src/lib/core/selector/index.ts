export { candidatesFor, RUNGS, type Candidate, type NameFacts, type Rung } from './candidates.ts';
export { namesIn } from './names.ts';
export { nearMisses, type Names, type NearMiss } from './near.ts';
export { selectorsIn, wholeSelector, withParent } from './nested.ts';
export { elementsOf, originatingOf } from './pseudo.ts';
export { compareSpecificity, keyOf, specificityOf, type Key, type Specificity } from './specificity.ts';
export { statesOf } from './states.ts';
export { unsteadyName } from './steady.ts';
