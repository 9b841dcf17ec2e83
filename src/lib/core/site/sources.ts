import { parseSheet, type Sheet } from '../css/index.ts';
import { parsePage, type Page } from '../html/index.ts';
import { parseMediaQueryList, type MediaQuery } from '../media/index.ts';

/** A site's texts, each parsed once for as long as it stays as it is. */
export interface Sources {
	/** The text of a file, LF; undefined where the site has no such text. */
	readonly text: (path: string) => string | undefined;
	readonly sheet: (text: string) => Sheet;
	readonly page: (text: string) => Page;
	readonly queries: (text: string) => readonly MediaQuery[];
}

/** How much text may be remembered in all, UTF-16 units: an hour of typing makes hundreds of long ones. */
const MOST_TEXT = 600_000;
/** So many are remembered however long they are: a page has some at once. */
const AT_LEAST = 16;

/** A function that remembers its answers for the `most` texts asked for last, and fewer where they are long. */
export function remembered<X>(most: number, compute: (text: string) => X): (text: string) => X {
	const known = new Map<string, X>();
	let length = 0;
	return (text) => {
		let value = known.get(text);
		if (value === undefined) {
			value = compute(text);
			length += text.length;
		} else known.delete(text);
		known.set(text, value);
		while (known.size > most || (known.size > AT_LEAST && length > MOST_TEXT)) {
			const oldest = known.keys().next().value as string;
			known.delete(oldest);
			length -= oldest.length;
		}
		return value;
	};
}

/** What reads texts, for whichever page: each once, for as long as it is remembered. */
export type Parsers = Omit<Sources, 'text'>;

export const parsers = (): Parsers => ({
	sheet: remembered(200, parseSheet),
	page: remembered(40, parsePage),
	queries: remembered(5000, parseMediaQueryList)
});

/** Sources over a way to get a file's text. */
export const sourcesOf = (text: (path: string) => string | undefined, by = parsers()): Sources => ({
	...by,
	text
});
