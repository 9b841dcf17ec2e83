import type { FilePlace, Result } from '../core/text/index.ts';

/** The edit for a request, or why there is none. */
export type Proposed = Result<{
	/** A sentence on what it does, with further remarks. */
	readonly summary: string;
	readonly notes: readonly string[];
	/** The place to be shown once it is made. */
	readonly shown?: FilePlace;
}>;
