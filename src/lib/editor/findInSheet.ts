import type { Search } from '../core/text/index.ts';

/** What is looked for in a text, and what was found of it. */
export interface FindInSheet extends Search {
	words: string;
	by: string;
	matchCase: boolean;
	pattern: boolean;
	/** How many places there are, and which of them is selected, from 1; 0 for none. */
	count: number;
	at: number;
}
