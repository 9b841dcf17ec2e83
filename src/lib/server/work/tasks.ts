import { layOut, textInFile } from '$lib/core/minified/index.ts';
import { decodeText, encodeText } from '$lib/core/text/index.ts';
import { codec } from '../codec.ts';
import { sortFiles } from '../import/kinds.ts';

/** The text of a file, or its layout, and what the file holds. */
interface Edited {
	readonly text: string;
	readonly original: Uint8Array;
	readonly minified: boolean;
}

/** What takes long enough to be done beside the server's own thread, by name. */
export const TASKS = {
	/** Tells what each of the files of a site is. */
	sort: sortFiles,
	/** The bytes of an edited text, of which lines that were not touched keep theirs. */
	encode({ text, original, minified }: Edited) {
		if (!minified) return encodeText(text, original, codec);
		const before = layOut(decodeText(original, codec).text);
		const inFile = textInFile(text, before);
		return encodeText(inFile, original, codec, 'line or ;');
	}
} as const;

export type Tasks = typeof TASKS;
