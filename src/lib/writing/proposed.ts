import type { FilePlace, Result } from '../core/text/index.ts';

/** What a request comes to, or why it cannot be. */
export type Proposed = Result<{
	/** A sentence on what it does, and what else is to be known. */
	readonly summary: string;
	readonly notes: readonly string[];
	/** What is to be shown once it is made: by its place then. */
	readonly shown?: FilePlace;
}>;
