import { LRUCache } from 'lru-cache';
import { isMinified, layOut } from '$lib/core/minified/index.ts';
import { decodeText } from '$lib/core/text/index.ts';
import { codec } from './codec.ts';
import type { File } from './models.ts';

/** A file's text as it is read and written. */
export interface FileText {
	/** With LF line ends; of a minified sheet, its layout. */
	readonly text: string;
	/** Of a layout, the lines that begin a line of the file, too, from 0; null where every line does. */
	readonly ownLines: readonly number[] | null;
}

/** How much of layouts is remembered, in UTF-16 units. */
const MOST = 20_000_000;
const layouts = new LRUCache<string, FileText>({
	maxSize: MOST,
	sizeCalculation: ({ text }) => text.length + 1
});

/** The text of a file that holds some bytes, now or in another revision. */
export function textOf({ minified }: File, hash: string, bytes: Uint8Array): FileText {
	if (!minified) return { text: decodeText(bytes, codec).text, ownLines: null };
	const known = layouts.get(hash);
	if (known) return known;
	const { text, own } = layOut(decodeText(bytes, codec).text);
	const made = { text, ownLines: own };
	layouts.set(hash, made);
	return made;
}

/** Whether the bytes are those of a minified sheet. */
export const holdsMinified = (bytes: Uint8Array): boolean => isMinified(decodeText(bytes, codec).text);
