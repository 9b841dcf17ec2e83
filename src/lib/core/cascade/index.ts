export { askingOf, readSelectorsAhead, type SelectorQuery, type Asking, type Match } from './ask.ts';
export { isInherited } from './inherited.ts';
export { ranksOf } from './layers.ts';
export { decider, outcomeOf, type Outcome } from './outcome.ts';
export { lossSentence } from './sentence.ts';
export { physicalOf, type Writing } from './logical.ts';
export {
	cascadeOf,
	type Condition,
	type Declared,
	type Layer,
	type LayerMention,
	type Registered,
	type PageCascade,
	type Scope
} from './sheets.ts';
export { substituted, variableSteps, type Registration, type VariableStep } from './variables.ts';
export { hintDeclarations } from './hints.ts';
export { styleDeclarations } from './style.ts';
export { candidatesOf, declarationsOn, propertiesSet } from './candidates.ts';
export type {
	Applying,
	Candidate,
	Case,
	Criterion,
	Engine,
	Hit,
	Holds,
	Loss,
	StyleDeclaration
} from './case.ts';
export { compareCandidates, verdictOf, wouldWin, type Verdict } from './verdict.ts';
