import type { Span } from '../css/index.ts';

/** What is wrong in a sheet, with its place and a sentence for the person. */
export interface Remark {
	readonly span: Span;
	readonly sentence: string;
}
