import { parseSheet, type Sheet } from '../css/index.ts';
import { parsePage, type Page } from '../html/index.ts';
import { parseMediaQueryList, type MediaQuery } from '../media/index.ts';
import { remembered } from '../remember/index.ts';

/** A site's texts, each parsed once for as long as it stays as it is. */
export interface Sources {
	/** The text of a file, LF; undefined where the site has no such text. */
	readonly text: (path: string) => string | undefined;
	readonly sheet: (text: string) => Sheet;
	readonly page: (text: string) => Page;
	readonly queries: (text: string) => readonly MediaQuery[];
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
