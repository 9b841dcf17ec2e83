import { breaksOf, indentOf, sheetSpans, type TextKind } from './breaks.ts';

/** Lines up to this length, UTF-16 units, may be handwritten. */
const LONG_LINE = 240;
/** A longer line is minified where at least so many breaks are missing in it. */
const FEWEST_BREAKS = 4;
const HAS_LONG_LINE = new RegExp(`[^\\n]{${String(LONG_LINE + 1)}}`);

/** Whether a sheet is minified, or one in a `<style>` of a page. */
export function isMinified(source: string, kind: TextKind): boolean {
	if (!HAS_LONG_LINE.test(source)) return false;
	return sheetSpans(source, kind).some(({ start, end }) => isPacked(source.slice(start, end)));
}

/** Whether most of a sheet consists of long lines with many declarations. */
function isPacked(source: string): boolean {
	let packed = 0;
	let line = { start: 0, end: -1, breaks: 0 };
	const count = (): void => {
		const length = line.end - line.start;
		if (length > LONG_LINE && line.breaks >= FEWEST_BREAKS) packed += length;
	};
	for (const { at, from } of breaksOf(source, 'sheet')) {
		if (at > line.end) {
			count();
			const start = source.lastIndexOf('\n', at - 1) + 1;
			const end = source.indexOf('\n', at);
			line = { start, end: end < 0 ? source.length : end, breaks: 0 };
		}
		if (from >= line.start) line.breaks++;
	}
	count();
	return packed * 2 > source.length;
}

/** A text whose sheets have a line for each declaration. */
export interface Layout {
	readonly text: string;
	/** The lines that also begin a line of the file, from 0 and ascending; the others begin within one. */
	readonly own: readonly number[];
}

/**
 * Lays out a sheet, or the minified ones of a page: adds the breaks of a layout that the text does not have. Nothing
 * else changes.
 */
export function layOut(source: string, kind: TextKind): Layout {
	const parts: string[] = [];
	const own = [0];
	let [done, line] = [0, 0];
	const take = (end: number): void => {
		const part = source.slice(done, end);
		for (let at = part.indexOf('\n'); at >= 0; at = part.indexOf('\n', at + 1)) own.push(++line);
		parts.push(part);
		done = end;
	};
	for (const { at, from, depth } of breaksOf(source, kind, isPacked)) {
		if (source.slice(from, at).includes('\n')) continue;
		take(at);
		parts.push('\n', indentOf(depth));
		line++;
	}
	take(source.length);
	return { text: parts.join(''), own };
}
