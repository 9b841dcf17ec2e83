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

/** A function that remembers its answers for the `most` texts asked for last. */
export function remembered<X>(most: number, compute: (text: string) => X): (text: string) => X {
	const known = new Map<string, X>();
	return (text) => {
		let value = known.get(text);
		if (value === undefined) value = compute(text);
		else known.delete(text);
		known.set(text, value);
		if (known.size > most) known.delete(known.keys().next().value as string);
		return value;
	};
}

/** Sources over a way to get a file's text. */
export const sourcesOf = (text: (path: string) => string | undefined): Sources => ({
	text,
	sheet: remembered(200, parseSheet),
	page: remembered(40, parsePage),
	queries: remembered(5000, parseMediaQueryList)
});
