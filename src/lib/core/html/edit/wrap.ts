import type { Span } from '../../css/node.ts';
import { indentAt, isFirstOnLine } from '../../css/edit/line.ts';
import { lineStart, type Change } from '../../text/index.ts';
import type { Page, PageElement } from '../page.ts';

/** A tag for wrapping elements. */
export interface Wrapper {
	readonly tag: string;
	/** Without it no class is written. */
	readonly className?: string;
}

const opening = ({ tag, className = '' }: Wrapper): string =>
	className === '' ? `<${tag}>` : `<${tag} class="${className}">`;

/** Elements whose lines must not be moved, because their white space counts. */
const KEPT = /<(pre|textarea|script|style)\b/i;

/** One step of indentation of a page's source, from the first indented line. */
export const stepOf = (source: string): string =>
	/\n([ \t]+)(?=<)/.exec(source)?.[1]?.match(/^\t|^ +/)?.[0] ?? '\t';

const endsLine = (source: string, offset: number): boolean => /^[^\S\n]*(\n|$)/.test(source.slice(offset));

/**
 * Wraps adjacent elements in a tag. Where they have lines of their own, so have the tags, and the content is indented
 * one step more; otherwise the tags go directly around them. No changes where the elements are not in the source.
 */
export function wrapElements({ source }: Page, elements: readonly PageElement[], wrapper: Wrapper): Change[] {
	const [first, last] = [elements[0], elements.at(-1)];
	if (!first?.span || !last?.span || first.parent !== last.parent) return [];
	const [start, end] = [first.span.start, last.span.end];
	const text = source.slice(start, end);
	const closing = `</${wrapper.tag}>`;
	if (!isFirstOnLine(source, start) || !endsLine(source, end) || KEPT.test(text)) {
		return [
			{ start, end: start, text: opening(wrapper) },
			{ start: end, end, text: closing }
		];
	}
	const outer = indentAt(source, start);
	const step = stepOf(source);
	const lines = [...text.matchAll(/\n(?=[^\n])/g)].map(({ index }) => start + index + 1);
	return [
		{ start, end: start, text: `${opening(wrapper)}\n${outer}${step}` },
		...lines.map((at) => ({ start: at, end: at, text: step })),
		{ start: end, end, text: `\n${outer}${closing}` }
	];
}

/** Wraps words of a source, without the white space at their ends, in a tag; not where they contain tags. */
export function wrapWords({ source }: Page, span: Span, wrapper: Wrapper): Change[] {
	const text = source.slice(span.start, span.end);
	const start = span.start + (text.length - text.trimStart().length);
	const end = span.end - (text.length - text.trimEnd().length);
	if (start >= end || /[<>]/.test(text)) return [];
	return [
		{ start, end: start, text: opening(wrapper) },
		{ start: end, end, text: `</${wrapper.tag}>` }
	];
}

/** Removes an element's own tags, with their lines where they have some; its content is indented one step less. */
export function unwrap({ source }: Page, { startTag, endTag, span }: PageElement): Change[] {
	if (!startTag || !span) return [];
	const inner = source.slice(startTag.end, endTag?.start ?? span.end);
	const own = isFirstOnLine(source, startTag.start) && endsLine(source, startTag.end);
	const closes = endTag ? isFirstOnLine(source, endTag.start) && endsLine(source, endTag.end) : true;
	if (!own || !closes || KEPT.test(inner)) {
		return [{ ...startTag, text: '' }, ...(endTag ? [{ ...endTag, text: '' }] : [])];
	}
	const outer = indentAt(source, startTag.start);
	const line = (at: number): { start: number; end: number } => ({
		start: lineStart(source, at),
		end: source.indexOf('\n', at) + 1 || source.length
	});
	const opened = line(startTag.start);
	const closed = endTag ? line(endTag.start) : null;
	const step = /^[ \t]+/.exec(inner.slice(inner.indexOf('\n') + 1).slice(outer.length))?.[0] ?? '';
	const moved = [...source.slice(opened.end, closed?.start ?? span.end).matchAll(/^[ \t]+/gm)].flatMap(
		({ index, 0: space }) => {
			if (step === '' || !space.startsWith(outer + step)) return [];
			const at = opened.end + index + outer.length;
			return [{ start: at, end: at + step.length, text: '' }];
		}
	);
	return [{ ...opened, text: '' }, ...moved, ...(closed ? [{ ...closed, text: '' }] : [])];
}
