import type { Span } from '../css/index.ts';
import { T, tokensOf } from '../css/tokens.ts';
import { isInside, parsePage, styleSpans } from '../html/page.ts';

/** One step of indentation in a layout. */
const STEP = '  ';

/** Whether a text is a sheet, or a page with sheets in its `<style>` elements. */
export type TextKind = 'page' | 'sheet';

/** A place of a text at which a layout breaks the line. */
export interface LineBreak {
	/** Where the new line's first token begins. */
	readonly at: number;
	/** How many blocks are open there. */
	readonly depth: number;
	/** Where the white space before it begins; `at` where there is none. */
	readonly from: number;
}

/**
 * Deeper blocks are not indented further, or each line within ten thousand open blocks would be longer than the last.
 */
const DEEPEST = 16;

/** The indentation of a line of a layout. */
export const indentOf = (depth: number): string => STEP.repeat(Math.min(depth, DEEPEST));

/**
 * The places of a sheet at which a layout breaks the line: after `{`, `;` and `}`, and before `}`, but not in an
 * empty block. Comments between statements stay with what precedes them. White space has no meaning at these places
 * (CSS Syntax 3 §5.4). Returns whether a new line would begin after the sheet.
 */
function* breaksInSheet(source: string): Generator<LineBreak, boolean> {
	const { types, starts, close, count } = tokensOf(source);
	let depth = 0;
	/** Whether the next token begins a line. */
	let isDue = false;
	let isFirstOfStatement = true;
	let isEmptySoFar = false;
	/** Whether the statement declares a custom property, so that blocks belong to its value. */
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
	return isDue;
}

/**
 * The parts of a text that are sheets. In SVG and MathML a `<style>` contains markup, where a `;` may end a
 * reference.
 */
export function sheetSpans(source: string, kind: TextKind): Span[] {
	if (kind === 'sheet') return [{ start: 0, end: source.length }];
	if (!/<style/i.test(source)) return [];
	const { elements } = parsePage(source);
	const inHtml = elements.filter((element) => !isInside(element, 'svg') && !isInside(element, 'math'));
	return styleSpans({ elements: inHtml }).sort((a, b) => a.start - b.start);
}

/**
 * The places of a text (LF line ends) at which a layout breaks the line, in order; in a page only those of its
 * `<style>` elements (which `isWanted` may choose), each of which begins on a line of its own, and ends on one after
 * a `}` or `;`.
 */
export function* breaksOf(
	source: string,
	kind: TextKind,
	isWanted: (sheet: string) => boolean = () => true
): Generator<LineBreak> {
	if (kind === 'sheet') return void (yield* breaksInSheet(source));
	for (const { start, end } of sheetSpans(source, kind)) {
		const inside = source.slice(start, end);
		const first = start + inside.search(/[^ \t\n\f]/);
		if (first < start || !isWanted(inside)) continue;
		yield { at: first, depth: 0, from: start };
		const breaks = breaksInSheet(inside);
		let next = breaks.next();
		for (; !next.done; next = breaks.next()) {
			const { at, depth, from } = next.value;
			yield { at: start + at, depth, from: start + from };
		}
		if (next.value) yield { at: end, depth: 0, from: start + inside.replace(/[ \t\n\f]+$/, '').length };
	}
}
