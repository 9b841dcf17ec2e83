import type { Span } from '../../css/index.ts';
import { innerSpan, type Page, type PageElement } from '../page.ts';

/**
 * The number of UTF-16 units that a character reference stands for, and its length as written; undefined where there
 * is none.
 */
function referenceAt(
	source: string,
	at: number
): { readonly units: number; readonly length: number } | undefined {
	const [text, digits, hex] =
		/^&(?:#(\d{1,7});?|#x([\da-f]{1,6});?|[a-z][\da-z]*;)/i.exec(source.slice(at, at + 40)) ?? [];
	if (text === undefined) return undefined;
	const code = digits !== undefined ? Number(digits) : hex !== undefined ? Number.parseInt(hex, 16) : 0;
	return { units: code > 0xffff ? 2 : 1, length: text.length };
}

/**
 * Where a stretch of an element's text (offsets in UTF-16 units of its `textContent`) is in the page's source.
 * Undefined where it is not plain text there: across a tag or comment, or past the end.
 */
export function sourceOfText(
	{ source }: Page,
	element: PageElement,
	start: number,
	end: number
): Span | undefined {
	const inner = innerSpan(element);
	if (!inner) return undefined;
	let unit = 0;
	let from: number | undefined;
	let run = 0;
	for (let at = inner.start; at < inner.end;) {
		if (source[at] === '<') {
			const close = source.startsWith('<!--', at) ? source.indexOf('-->', at) + 2 : source.indexOf('>', at);
			if (close < at) return undefined;
			at = close + 1;
			run = at;
			continue;
		}
		if (unit === start) from ??= at;
		const reference = source[at] === '&' ? referenceAt(source, at) : undefined;
		unit += reference?.units ?? 1;
		at += reference?.length ?? 1;
		if (unit >= end && from !== undefined)
			return unit === end && run <= from ? { start: from, end: at } : undefined;
	}
	return undefined;
}
