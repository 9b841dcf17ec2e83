import { parseSheet, parseSheetInSteps, sliceOf, type Sheet } from '../css/index.ts';
import { parsePage, parsePageInSteps, styleSpans, type Page } from '../html/index.ts';
import { parseMediaQueryList, type MediaQuery } from '../media/index.ts';
import { remembered, type Remembering } from '../remember/index.ts';
import type { Steps } from '../steps/index.ts';

/** A site's texts, each parsed once as long as it stays the same. */
export interface Sources {
	/** The text of a file, LF; undefined where the site has no such text. */
	readonly text: (path: string) => string | undefined;
	readonly sheet: (text: string) => Sheet;
	readonly page: (text: string) => Page;
	readonly queries: (text: string) => readonly MediaQuery[];
}

/** Parsers for texts, whichever page needs them, with their caches. */
export interface Parsers extends Omit<Sources, 'text'> {
	readonly sheet: Remembering<Sheet>;
	readonly page: Remembering<Page>;
}

export const parsers = (): Parsers => ({
	sheet: remembered(200, parseSheet),
	page: remembered(40, parsePage),
	queries: remembered(5000, parseMediaQueryList)
});

/** Reads a text in steps, so that it is cached when needed. */
export function* readAhead(by: Parsers, kind: 'page' | 'sheet', text: string): Steps<void> {
	if (by[kind].knows(text)) return;
	if (kind === 'page') by.page.put(text, yield* parsePageInSteps(text));
	else by.sheet.put(text, yield* parseSheetInSteps(text));
}

/**
 * The sheet around an offset of a text, and where it begins; undefined where there is none, or the text has not been
 * read yet.
 */
export function sheetAt(
	by: Parsers,
	kind: 'page' | 'sheet',
	text: string,
	offset: number
): { readonly sheet: Sheet; readonly start: number } | undefined {
	if (!by[kind].knows(text)) return undefined;
	if (kind === 'sheet') return { sheet: by.sheet(text), start: 0 };
	const span = styleSpans(by.page(text)).find(({ start, end }) => start <= offset && offset <= end);
	return span && { sheet: by.sheet(sliceOf(text, span)), start: span.start };
}

/** Sources on top of a way to get a file's text. */
export const sourcesOf = (text: (path: string) => string | undefined, by = parsers()): Sources => ({
	...by,
	text
});
