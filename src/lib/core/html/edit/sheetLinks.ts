import { indentAt, isFirstOnLine } from '../../css/edit/line.ts';
import type { Change } from '../../text/index.ts';
import { isSheetLink } from '../sheetLink.ts';
import type { Page, PageElement } from '../page.ts';

/** Where a sheet goes among a page's sheets: before the first, after the last, or after one of them. */
export type SheetPlace = 'first' | 'last' | { readonly after: PageElement };

const isSheet = (element: PageElement): boolean => isSheetLink(element) || element.tag === 'style';

/** A new line before or after what is at an offset, with its indentation. */
function beside(source: string, offset: number, after: boolean, at: number, markup: string): Change {
	const space = isFirstOnLine(source, offset) ? `\n${indentAt(source, offset)}` : '';
	const lines = markup.replaceAll('\n', space || '\n');
	return { start: at, end: at, text: after ? space + lines : lines + space };
}

/**
 * Adds an element for a sheet (`<link>` or `<style>`) among those of a page; at the end of its head where it has
 * none, and at the start of the page where its source has no head.
 */
export function insertSheet(page: Page, markup: string, place: SheetPlace): Change[] {
	const { source, elements } = page;
	const sheets = elements.filter((element) => isSheet(element) && element.span);
	const next = typeof place === 'object' ? place.after : place === 'first' ? sheets[0] : sheets.at(-1);
	if (next?.span) {
		const after = place !== 'first';
		return [beside(source, next.span.start, after, after ? next.span.end : next.span.start, markup)];
	}
	const head = elements.find(({ tag }) => tag === 'head');
	const last = head?.children.findLast(({ span }) => span);
	if (last?.span) return [beside(source, last.span.start, true, last.span.end, markup)];
	if (head?.endTag) return [{ start: head.endTag.start, end: head.endTag.start, text: `${markup}\n` }];
	// Before what the parser takes for the body; a doctype stays first.
	const body = elements.find(({ tag, span }) => span && tag !== 'html' && tag !== 'head');
	const at = body?.span?.start ?? source.length;
	return [{ start: at, end: at, text: `${markup}\n` }];
}
