import type { Span } from '../css/index.ts';

/** Something wrong in a sheet: the place, and a sentence for people. */
export interface Remark {
	readonly span: Span;
	readonly sentence: string;
}
