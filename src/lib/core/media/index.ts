export type { Operator } from './feature.ts';
export { featureNamed } from './features/index.ts';
export type { Comparison, Condition, MediaQuery } from './query.ts';
export { parseMediaQueryList } from './parse.ts';
export { asksWidthAlone } from './asks.ts';
export { evaluate, evaluateCondition, typeMatches } from './evaluate.ts';
export { solve, solverOf } from './solve.ts';
export * from './bands.ts';
export { isMeantGap, usualGap } from './gap.ts';
export { heightThresholds, type HeightThreshold } from './heights.ts';
export * from './write.ts';
export {
	breakpointOf,
	breakpointsOf,
	closeHalves,
	gatherBreakpoints,
	moveBreakpoint,
	nearBreakpoints,
	splitQueries
} from './breakpoint.ts';
export { nameBreakpoint, namesOf } from './name.ts';
export { lengthContext } from './relation.ts';
export { directionOf, standsBefore, type Direction } from './direction.ts';
export { toleratedPx } from './tolerance.ts';
