export * from './lines.ts';
export * from './bytes.ts';
export { sharedLines } from './sharedLines.ts';
export * from './change.ts';
export { expressionOf, matchesIn, replacementOf, type Match, type Search } from './search.ts';
export { blanked } from './blank.ts';
export { nearest } from './nearest.ts';
export * from './edit.ts';
export { counted, mostFrequent } from './counted.ts';
export { indentationOf } from './indentation.ts';
export { compareNames } from './names.ts';
export { messageOf } from './message.ts';
export type { FilePlace } from './filePlace.ts';
export {
	chain,
	done,
	DONE,
	refusalOf,
	refuse,
	sentenceOf,
	whyNot,
	type Refusal,
	type Result
} from './result.ts';
