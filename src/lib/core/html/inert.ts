import { applyChanges, type Change } from '../text/index.ts';
import { attribute, innerSpan, parsePage, type Page, type PageElement } from './page.ts';

/** Attributes that would load or start something, by element; they are set aside under another name. */
const SET_ASIDE: Readonly<Record<string, readonly string[]>> = {
	iframe: ['src', 'srcdoc'],
	frame: ['src'],
	embed: ['src'],
	object: ['data'],
	meta: ['http-equiv'],
	link: ['rel']
};

const isStyle = (element: PageElement): boolean =>
	element.tag === 'style' && /^(text\/css)?$/i.test(attribute(element, 'type') ?? '');

/** Whether an element is a `<link>` to a sheet, in force or not. */
export const isSheetLink = (element: PageElement): boolean =>
	element.tag === 'link' && /(^|\s)stylesheet(\s|$)/i.test(attribute(element, 'rel') ?? '');

const quoted = (value: string): string => `"${value.replace(/&/g, '&amp;').replace(/"/g, '&quot;')}"`;

function changesOf(element: PageElement): Change[] {
	const { startTag, tag } = element;
	if (!startTag) return [];
	if (isSheetLink(element)) {
		const kept = [...element.attributes].filter(([name]) => !/^(rel|href|title|type|disabled)$/.test(name));
		const text = kept.map(([name, { value }]) => ` ${name}=${quoted(value)}`).join('');
		return [{ ...startTag, text: `<style${text}></style>` }];
	}
	const changes: Change[] = [];
	const inner = isStyle(element) ? innerSpan(element) : null;
	if (inner && inner.end > inner.start) changes.push({ ...inner, text: '' });
	for (const name of [...(SET_ASIDE[tag] ?? []), 'autofocus', ...(isStyle(element) ? ['title'] : [])]) {
		const span = element.attributes.get(name)?.span;
		if (span) changes.push({ start: span.start, end: span.start, text: 'data-aside-' });
	}
	return changes;
}

/**
 * A page's source as it may be written into a frame: sheets are empty `<style>` elements in their places,
 * nested documents, meta policies, refreshes and preloads are set aside (their attribute gets the prefix
 * `data-aside-`). Element paths stay as they are.
 */
export function inertSource(page: Page): string {
	let { source } = page;
	let now = page;
	// A second attribute of the same name comes to life once the first has another.
	for (let round = 0; round < 20; round++) {
		const changes = now.elements.flatMap(changesOf);
		if (changes.length === 0) break;
		source = applyChanges(source, changes);
		if (!page.duplicateAttributes) break;
		now = parsePage(source);
	}
	return source;
}
