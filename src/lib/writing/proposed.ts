import type { FilePlace } from '../core/text/index.ts';
import type { Refusal } from './declaration.ts';

/** What was made of a wish: a sentence on what it does, and what else is to be known; or why it cannot be. */
export type Proposed =
	| {
			readonly does: string;
			readonly notes: readonly string[];
			/** What is to be shown once it is made: by its place then. */
			readonly shown?: FilePlace;
	  }
	| Refusal;
