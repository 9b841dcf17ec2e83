import { importOf, sliceOf, walk, type Sheet, type Span } from '../css/index.ts';
import { innerSpan, isInside, type Attribute } from '../html/index.ts';
import { sizesConditions } from './conditions.ts';
import type { Sources } from './sources.ts';

/** A list of media queries in a file. */
export interface QueryPlace {
	readonly span: Span;
	readonly text: string;
	/** Whether it is an at-rule of a sheet, or an attribute of an element. */
	readonly of: 'rule' | 'attribute';
}

function* inSheet(sheet: Sheet, offset: number): Generator<QueryPlace> {
	const { source } = sheet;
	const place = ({ start, end }: Span): QueryPlace => ({
		span: { start: start + offset, end: end + offset },
		text: source.slice(start, end),
		of: 'rule'
	});
	for (const node of walk(sheet)) {
		if (node.kind !== 'at-rule') continue;
		if (node.name === 'media' && node.block) yield place(node.prelude);
		const parts = node.name === 'import' ? importOf(source, node) : null;
		if (parts && parts.media !== '') yield place(parts.mediaSpan);
	}
}

/** Conditions in an attribute's value; none where it contains character references. */
function* inAttribute(
	source: string,
	attribute: Attribute | undefined,
	conditions: (value: string) => readonly string[]
): Generator<QueryPlace> {
	if (!attribute?.span) return;
	const { value, span } = attribute;
	const within = sliceOf(source, span).lastIndexOf(value);
	if (within < 0) return;
	let at = 0;
	for (const text of conditions(value)) {
		at = value.indexOf(text, at);
		const start = span.start + within + at;
		yield { span: { start, end: start + text.length }, text, of: 'attribute' };
		at += text.length;
	}
}

/**
 * Every list of media queries in a file, in no particular order: of `@media` and `@import`, in a page also of its
 * `<style>`
 * elements, of `media` attributes and of the conditions of `sizes`.
 */
export function queryPlaces(text: string, kind: 'page' | 'sheet', sources: Sources): QueryPlace[] {
	if (kind === 'sheet') return [...inSheet(sources.sheet(text), 0)];
	return sources.page(text).elements.flatMap((element) => {
		if (isInside(element, 'noscript')) return [];
		const { tag, attributes } = element;
		const span = tag === 'style' ? innerSpan(element) : null;
		const media = ['link', 'style', 'source'].includes(tag) ? attributes.get('media') : undefined;
		const sizes = ['img', 'source'].includes(tag) ? attributes.get('sizes') : undefined;
		return [
			...(span ? inSheet(sources.sheet(sliceOf(text, span)), span.start) : []),
			...inAttribute(text, media, (value) => [value]),
			...inAttribute(text, sizes, sizesConditions)
		];
	});
}
