import { T, tokensOf } from '../css/tokens.ts';

/** One step of indentation in a layout. */
const STEP = '  ';
/** Lines up to this length, UTF-16 units, may be somebody's own hand. */
const LONG_LINE = 240;
/** A longer line is minified where so many breaks are missing in it. */
const FEWEST_BREAKS = 4;

/** A place of a sheet at which a layout begins a line. */
export interface LineBreak {
	/** Where the line's first token begins. */
	readonly at: number;
	/** How many blocks are open there. */
	readonly depth: number;
	/** Where the white space before it begins; `at` where there is none. */
	readonly from: number;
}

/** Blocks deeper than this are indented no further: each line of ten thousand open ones would be longer than the last. */
const DEEPEST = 16;

/** The indentation of a line of a layout. */
export const indentOf = (depth: number): string => STEP.repeat(Math.min(depth, DEEPEST));

/**
 * The places of a sheet at which a layout begins a line: after `{`, `;` and `}`, and before `}`, but not in an empty block.
 * Comments between statements stay with what they follow. White space means nothing at these places (CSS Syntax 3 §5.4).
 */
export function* breaksOf(source: string): Generator<LineBreak> {
	const { types, starts, close, count } = tokensOf(source);
	let depth = 0;
	/** Whether a line begins with the next token. */
	let isDue = false;
	let isFirstOfStatement = true;
	let isEmptySoFar = false;
	/** Whether the statement declares a custom property: blocks belong to its value then. */
	let isCustom = false;
	let space = -1;
	for (let i = 0; i < count; i++) {
		const type = types[i];
		const at = starts[i] as number;
		if (type === T.WhiteSpace) {
			space = at;
			continue;
		}
		const from = space < 0 ? at : space;
		space = -1;
		if (type === T.Comment) {
			isDue = isFirstOfStatement;
			isEmptySoFar = false;
			continue;
		}
		const isEnd = type === T.RightCurly && depth > 0;
		if (isEnd) depth--;
		if (isEnd ? !isEmptySoFar : isDue) yield { at, depth, from };
		const isBegin = type === T.LeftCurly && !isCustom;
		if (isBegin) depth++;
		isEmptySoFar = isBegin;
		isDue = isBegin || isEnd || type === T.Semicolon;
		if (isDue) {
			isCustom = false;
			isFirstOfStatement = true;
			continue;
		}
		if (isFirstOfStatement) isCustom = type === T.Ident && source.startsWith('--', at);
		isFirstOfStatement = false;
		const end = close[i] as number;
		if (end > i) i = Math.min(end, count - 1);
	}
}

/** Whether the most of a sheet stands in long lines of many declarations. */
export function isMinified(source: string): boolean {
	let packed = 0;
	let line = { start: 0, end: -1, breaks: 0 };
	const count = (): void => {
		const length = line.end - line.start;
		if (length > LONG_LINE && line.breaks >= FEWEST_BREAKS) packed += length;
	};
	for (const { at, from } of breaksOf(source)) {
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

/** A sheet's text with a line for each declaration. */
export interface Layout {
	readonly text: string;
	/** The lines of it that begin a line of the file, too, from 0 and ascending; the others begin within one. */
	readonly own: readonly number[];
}

/** Lays a sheet out: breaks are added where a layout has them and the sheet has none. Nothing else changes. */
export function layOut(source: string): Layout {
	const parts: string[] = [];
	const own = [0];
	let [done, line] = [0, 0];
	const take = (end: number): void => {
		const part = source.slice(done, end);
		for (let at = part.indexOf('\n'); at >= 0; at = part.indexOf('\n', at + 1)) own.push(++line);
		parts.push(part);
		done = end;
	};
	for (const { at, from, depth } of breaksOf(source)) {
		if (source.slice(from, at).includes('\n')) continue;
		take(at);
		parts.push('\n', indentOf(depth));
		line++;
	}
	take(source.length);
	return { text: parts.join(''), own };
}
