import { indentAt, isFirstOnLine } from '../../css/edit/line.ts';
import { applyChanges, type Change } from '../../text/index.ts';
import { parsePage, type Page, type PageElement } from '../page.ts';
import { stepOf } from './wrap.ts';

/** Where something is added, relative to an element: beside it, or in it before or after its content. */
export const INSERT_PLACES = ['before', 'after', 'first', 'last'] as const;
export type InsertPlace = (typeof INSERT_PLACES)[number];

/** A place in words, to precede the element's name. */
export const PLACE_WORDS: Readonly<Record<InsertPlace, string>> = {
	before: 'before',
	after: 'after',
	first: 'at the beginning of',
	last: 'at the end of'
};

/** Whether a place is beside an element, not in it. */
export const isBeside = (place: InsertPlace): boolean => place === 'before' || place === 'after';

/** Elements without content, or with text only (HTML §13.1.2). */
const HOLDS_NONE =
	/^(area|base|br|col|embed|hr|img|input|link|meta|param|source|track|wbr|script|style|textarea|title|iframe)$/;
/** Parts of the page itself, which only exist once. */
const OUTERMOST = /^(html|head|body)$/;

/**
 * Adds HTML beside an element or in it, on lines of its own where the element has such, with the same indentation. No
 * changes where nothing can be added.
 */
export function insertHtml(
	{ source }: Page,
	element: PageElement,
	html: string,
	place: InsertPlace
): Change[] {
	const { span, startTag, endTag, tag } = element;
	if (!span || !startTag || html.trim() === '') return [];
	const isOwnLine = isFirstOnLine(source, span.start);
	const outer = indentAt(source, span.start);
	/** On a line of its own with an indentation; further lines keep theirs relative to it. */
	const on = (indent: string): string => html.trim().split('\n').join(`\n${indent}`);
	const at = (offset: number, text: string): Change[] => [{ start: offset, end: offset, text }];
	if (isBeside(place)) {
		if (OUTERMOST.test(tag)) return [];
		const text = on(outer);
		if (!isOwnLine) return at(place === 'before' ? span.start : span.end, text);
		return place === 'before'
			? at(span.start, `${text}\n${outer}`)
			: at(span.start + source.slice(span.start, span.end).trimEnd().length, `\n${outer}${text}`);
	}
	if (HOLDS_NONE.test(tag) || tag === 'html') return [];
	const end = endTag?.start ?? span.end;
	const held = source.slice(startTag.end, end);
	const inner = outer + stepOf(source);
	const isLined = isOwnLine && (/^\s*\n/.test(held) || (held.trim() === '' && endTag !== null));
	if (!isLined) return at(place === 'first' ? startTag.end : startTag.end + held.trimEnd().length, on(outer));
	const text = `\n${inner}${on(inner)}`;
	if (held.trim() === '') return [{ start: startTag.end, end, text: `${text}\n${outer}` }];
	return at(place === 'first' ? startTag.end : startTag.end + held.trimEnd().length, text);
}

/** Where the parser alone decides what is allowed. */
const TABLE = /^(html|body|table|thead|tbody|tfoot|tr|colgroup|select|svg|math)$/;

/** Why HTML cannot be added to elements; null where it can. */
export function whyNotInserted(
	page: Page,
	elements: readonly PageElement[],
	{ html, place }: { readonly html: string; readonly place: InsertPlace }
): string | null {
	for (const element of elements) {
		const changes = insertHtml(page, element, html, place);
		if (changes.length === 0)
			return `Nothing can be added ${isBeside(place) ? 'beside' : 'in'} a ${element.tag}.`;
		const around = isBeside(place) ? element.parent?.tag : element.tag;
		if (around !== undefined && !TABLE.test(around)) {
			const alone = parsePage(`<body><${around}>${html}<wbr></${around}>`);
			const end = alone.elements.findLast(({ tag }) => tag === 'wbr');
			if (end?.parent !== alone.root.children[1]?.children[0])
				return `This HTML closes the ${around} that it is to stand in, or leaves an element open.`;
		}
		const after = parsePage(applyChanges(page.source, changes));
		if (/<[a-z]/i.test(html) && after.elements.length <= page.elements.length)
			return 'This HTML adds no element there: browsers leave it out.';
	}
	return null;
}
