import { isMinified, layOut, textInFile, type TextKind } from '$lib/core/minified/index.ts';
import { decodeText, encodeText } from '$lib/core/text/index.ts';
import { codec } from '../codec.ts';
import { sortFiles } from '../import/kinds.ts';

/** The text of a file, or its layout, and the file's content. */
interface Edited {
	readonly text: string;
	readonly original: Uint8Array;
	readonly kind: TextKind;
	/** Whether the text is a layout. */
	readonly minified: boolean;
}

/** Tasks that take long enough to be done in another thread, by name. */
export const TASKS = {
	/** Determines the kind of each file of a site. */
	sort: sortFiles,
	/** The bytes of an edited text, in which untouched lines keep theirs, and whether they are minified now. */
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
