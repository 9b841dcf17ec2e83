import { LRUCache } from 'lru-cache';
import { layOut } from '$lib/core/minified/index.ts';
import { decodeText } from '$lib/core/text/index.ts';
import { codec } from './codec.ts';
import type { File } from './models.ts';

/** A file's text for reading and editing. */
export interface FileText {
	/** With LF line ends; the layout of a minified one. */
	readonly text: string;
	/** For a layout, the lines that also begin a line of the file, from 0; null where every line does. */
	readonly ownLines: readonly number[] | null;
}

/** The total size of cached layouts, in UTF-16 units. */
const MOST = 20_000_000;
const layouts = new LRUCache<string, FileText>({
	maxSize: MOST,
	sizeCalculation: ({ text }) => text.length + 1
});

/** The text of a file with some bytes, now or in another revision. */
export function textOf({ kind, minified }: File, hash: string, bytes: Uint8Array): FileText {
	if (!minified) return { text: decodeText(bytes, codec).text, ownLines: null };
	const key = `${kind} ${hash}`;
	const known = layouts.get(key);
	if (known) return known;
	const { text, own } = layOut(decodeText(bytes, codec).text, kind === 'page' ? 'page' : 'sheet');
	const made = { text, ownLines: own };
	layouts.set(key, made);
	return made;
}
