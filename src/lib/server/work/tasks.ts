import { isMinified, layOut, textInFile, type TextKind } from '$lib/core/minified/index.ts';
import { decodeText, encodeText } from '$lib/core/text/index.ts';
import { codec } from '../codec.ts';
import { sortFiles } from '../import/kinds.ts';

/** The text of a file, or its layout, and what the file holds. */
interface Edited {
	readonly text: string;
	readonly original: Uint8Array;
	readonly kind: TextKind;
	/** Whether the text is a layout. */
	readonly minified: boolean;
}

/** What takes long enough to be done beside the server's own thread, by name. */
export const TASKS = {
	/** Tells what each of the files of a site is. */
	sort: sortFiles,
	/** The bytes of an edited text, of which lines that were not touched keep theirs, and whether they are minified now. */
	encode({ text, original, kind, minified }: Edited) {
		if (!minified) return { bytes: encodeText(text, original, codec), minified: isMinified(text, kind) };
		const before = layOut(decodeText(original, codec).text, kind);
		const inFile = textInFile(text, before, kind);
		const bytes = encodeText(inFile, original, codec, 'line or ;');
		return { bytes, minified: layOut(inFile, kind).text !== inFile };
	},
	/** Whether each of some files is minified. */
	minified: (files: readonly { readonly kind: TextKind; readonly bytes: Uint8Array }[]): boolean[] =>
		files.map(({ kind, bytes }) => isMinified(decodeText(bytes, codec).text, kind))
} as const;

export type Tasks = typeof TASKS;
