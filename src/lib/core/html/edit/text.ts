import type { Change } from '../../text/index.ts';
import { innerSpan, type Page, type PageElement } from '../page.ts';
import { escapedText } from './escape.ts';

/** Whether an element's text can be rewritten: it contains nothing but text, and no code. */
export const hasOnlyWords = (element: PageElement): boolean =>
	element.children.length === 0 &&
	innerSpan(element) !== null &&
	!/^(script|style|textarea|title|iframe|img|input|br|hr|source|link|meta|area|col|embed|track|wbr)$/.test(
		element.tag
	);

/** Replaces the text of an element; white space at its ends stays. */
export function setWords({ source }: Page, element: PageElement, words: string): Change[] {
	const inner = innerSpan(element);
	if (!inner || !hasOnlyWords(element)) return [];
	const text = source.slice(inner.start, inner.end);
	const [, before = '', known = '', after = ''] = /^(\s*)([\s\S]*?)(\s*)$/.exec(text) ?? [];
	const written = escapedText(words.trim());
	return written === known
		? []
		: [{ start: inner.start + before.length, end: inner.end - after.length, text: written }];
}
