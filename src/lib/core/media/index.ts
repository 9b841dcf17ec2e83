export type { MediaFeature, Operator } from './feature.ts';
export type { Comparison, Condition, MediaQuery } from './query.ts';
export { FEATURES } from './features/index.ts';
export { parseMediaQueryList } from './parse.ts';
export { evaluate, evaluateCondition, type Truth } from './evaluate.ts';
export { solve } from './solve.ts';
export * from './bands.ts';
