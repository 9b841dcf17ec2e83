import type { Search } from '../core/text/index.ts';

/** A search in a text, and its results. */
export interface FindInSheet extends Search {
	words: string;
	by: string;
	matchCase: boolean;
	pattern: boolean;
	/** The number of matches, and which of them is selected, from 1; 0 for none. */
	count: number;
	at: number;
}
