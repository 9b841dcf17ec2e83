import type { Change } from '../../text/index.ts';
import { classesOf } from '../classes.ts';
import { attribute, type Page, type PageElement } from '../page.ts';
import { escapedValue } from './escape.ts';

/** A valid attribute name (HTML §13.1.2.3). */
export const ATTRIBUTE_NAME = /^[^\s"'<>/=\p{Cc}]+$/u;

/**
 * Sets or removes (null) an attribute of an element: within its quotes where it has some, otherwise in double ones; a
 * new one at the end of the start tag. No changes where it is already so, or where the element has no tag.
 */
export function setAttribute(
	{ source }: Page,
	element: PageElement,
	name: string,
	value: string | null
): Change[] {
	const { startTag } = element;
	const known = element.attributes.get(name);
	if (!startTag || (known && !known.span) || known?.value === (value ?? undefined)) return [];
	if (!known?.span) {
		if (value === null) return [];
		const tag = source.slice(startTag.start, startTag.end);
		const end = startTag.end - (/\s*\/?>$/.exec(tag)?.[0].length ?? 0);
		const written = value === '' ? ` ${name}` : ` ${name}="${escapedValue(value, '"')}"`;
		return [{ start: end, end, text: written }];
	}
	const { start, end } = known.span;
	if (value === null) {
		const [space = ''] = /\s*$/.exec(source.slice(startTag.start, start)) ?? [];
		return [{ start: start - space.length, end, text: '' }];
	}
	const [, head = name, quote = ''] = /^([^=]*?\s*=\s*)(["']?)/.exec(source.slice(start, end)) ?? [];
	if (quote === '') {
		const text = `${head.includes('=') ? head : `${head}=`}"${escapedValue(value, '"')}"`;
		return [{ start, end, text }];
	}
	return [{ start: start + head.length + 1, end: end - 1, text: escapedValue(value, quote) }];
}

/** Removes a class from an element, and the attribute where that was its only class. */
export function takeClass(page: Page, element: PageElement, name: string): Change[] {
	const left = classesOf(element).filter((one) => one !== name);
	if (left.length === 0) return setAttribute(page, element, 'class', null);
	const span = element.attributes.get('class')?.span;
	if (!span || left.length === classesOf(element).length) return [];
	const written = page.source.slice(span.start, span.end);
	const from = written.indexOf('=') + 1;
	const at = [...written.slice(from).matchAll(/[^\s"']+/g)].filter(([word]) => word === name);
	// Written with character references it cannot be found as it is.
	if (at.length === 0) return setAttribute(page, element, 'class', left.join(' '));
	return at.map(({ index }) => {
		const start = span.start + from + index;
		const end = start + name.length;
		const [after = ''] = /^\s+/.exec(page.source.slice(end, span.end)) ?? [];
		const [before = ''] = after === '' ? (/\s+$/.exec(page.source.slice(span.start, start)) ?? []) : [];
		return { start: start - before.length, end: end + after.length, text: '' };
	});
}

/** Unused ids on a page that begin with some words. */
export function freeId({ elements }: Page, like: string): string {
	const taken = new Set(elements.map((element) => attribute(element, 'id')));
	for (let n = 2; ; n++) if (!taken.has(`${like}-${n}`)) return `${like}-${n}`;
}
