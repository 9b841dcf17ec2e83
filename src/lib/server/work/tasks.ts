import { encodeText } from '$lib/core/text/index.ts';
import { codec, sharedLines } from '../codec.ts';
import { sortFiles } from '../import/kinds.ts';

/** What takes long enough to be done beside the server's own thread, by name. */
export const TASKS = {
	/** Tells what each of the files of a site is. */
	sort: sortFiles,
	/** The bytes of an edited text, of which lines that were not touched keep theirs. */
	encode: ({ text, original }: { readonly text: string; readonly original: Uint8Array }) =>
		encodeText(text, original, codec, sharedLines)
} as const;

export type Tasks = typeof TASKS;
