import { parse, type DefaultTreeAdapterTypes, type Token } from 'parse5';
import type { Span } from '../css/node.ts';

/** An element's place as indexes among element children, from the root element (whose path is empty). */
export type ElementPath = readonly number[];

export interface Attribute {
	readonly value: string;
	/** Name, `=` and quoted value. Null for an attribute that the parser made up. */
	readonly span: Span | null;
}

export interface PageElement {
	readonly path: ElementPath;
	/** Lower case, as the parser names it. */
	readonly tag: string;
	readonly attributes: ReadonlyMap<string, Attribute>;
	/** Null for elements that the source only implies (`<tbody>`, a missing `<head>`). */
	readonly span: Span | null;
	readonly startTag: Span | null;
	/** Null where no end tag stands in the source. */
	readonly endTag: Span | null;
	/** The text straight inside, entities resolved. */
	readonly text: string;
	/** Texts and elements inside, in order. */
	readonly content: readonly (string | PageElement)[];
	readonly parent: PageElement | null;
	readonly children: readonly PageElement[];
}

/** A page's source as elements. The tree is that of HTML §13.2 with scripting off, as frames build it. */
export interface Page {
	readonly source: string;
	readonly root: PageElement;
	/** All elements in document order; what stands in a `<template>` is not among them. */
	readonly elements: readonly PageElement[];
	/** True where an element names an attribute twice (the second is ignored). */
	readonly duplicateAttributes: boolean;
}

const spanOf = (location: Token.Location | null | undefined): Span | null =>
	location ? { start: location.startOffset, end: location.endOffset } : null;

type Mutable = { -readonly [K in keyof PageElement]: PageElement[K] } & {
	children: PageElement[];
	content: (string | PageElement)[];
};

/** What may have a shadow tree, but for elements with a name of their own (DOM §4.8, valid shadow host name). */
const HOSTS = /^(article|aside|blockquote|body|div|footer|h[1-6]|header|main|nav|p|section|span|[a-z].*-.*)$/;

/** The `<template>` that becomes an element's shadow tree, which only the first can (HTML §13.2.6.4.4). */
const shadowTemplateOf = ({
	tagName,
	childNodes
}: DefaultTreeAdapterTypes.Element): DefaultTreeAdapterTypes.ChildNode | undefined =>
	HOSTS.test(tagName)
		? childNodes.find(
				(child) =>
					'tagName' in child &&
					child.tagName === 'template' &&
					child.attrs.some(({ name, value }) => name === 'shadowrootmode' && /^(open|closed)$/i.test(value))
			)
		: undefined;

/** A page's source (LF line ends) as elements with spans, each with its path. Never throws. */
export function parsePage(source: string): Page {
	let duplicateAttributes = false;
	const document = parse(source, {
		sourceCodeLocationInfo: true,
		scriptingEnabled: false,
		onParseError: (error) => {
			if (error.code === 'duplicate-attribute') duplicateAttributes = true;
		}
	});
	const elements: PageElement[] = [];
	const build = (
		node: DefaultTreeAdapterTypes.Element,
		path: ElementPath,
		parent: PageElement | null
	): PageElement => {
		const location = node.sourceCodeLocation;
		const element: Mutable = {
			path,
			tag: node.tagName.toLowerCase(),
			attributes: new Map(
				node.attrs.map((attribute) => {
					const name = attribute.prefix ? `${attribute.prefix}:${attribute.name}` : attribute.name;
					return [name, { value: attribute.value, span: spanOf(location?.attrs?.[name]) }];
				})
			),
			// What the end of the text cuts off has no end of its own.
			span: location ? { start: location.startOffset, end: location.endOffset || source.length } : null,
			startTag: spanOf(location?.startTag ?? (location && !location.endTag ? location : null)),
			endTag: spanOf(location?.endTag),
			text: node.childNodes.map((child) => ('value' in child ? child.value : '')).join(''),
			parent,
			children: [],
			content: []
		};
		elements.push(element);
		const shadow = shadowTemplateOf(node);
		for (const child of node.childNodes) {
			// It makes a shadow tree of what it stands in, and is no child.
			if (child === shadow) continue;
			if ('tagName' in child) {
				const built = build(child, [...path, element.children.length], element);
				element.children.push(built);
				element.content.push(built);
			} else if ('value' in child) {
				element.content.push(child.value);
			}
		}
		return element;
	};
	const html = document.childNodes.find((node) => 'tagName' in node);
	if (!html || !('tagName' in html)) throw new Error('HTML parsing always makes a root element.');
	return { source, root: build(html, [], null), elements, duplicateAttributes };
}

/** The element at a path; undefined where the page has none there. */
export function elementAt(page: Page, path: ElementPath): PageElement | undefined {
	let element: PageElement | undefined = page.root;
	for (const index of path) element = element?.children[index];
	return element;
}

/** The innermost element whose source covers an offset. */
export function elementAround(page: Page, offset: number): PageElement {
	let best = page.root;
	for (const element of page.elements) {
		const { span } = element;
		if (span && span.start <= offset && offset < span.end && span.start >= (best.span?.start ?? 0))
			best = element;
	}
	return best;
}

/** The attribute's value; undefined where the element has none of that name. */
export const attribute = (element: PageElement, name: string): string | undefined =>
	element.attributes.get(name)?.value;

/** Whether an element stands in one with this tag. */
export function isInside(element: PageElement, tag: string): boolean {
	for (let at = element.parent; at; at = at.parent) if (at.tag === tag) return true;
	return false;
}

/** The text inside a start and an end tag, as a span; for `<style>`, whose text has no entities. */
export const innerSpan = (element: PageElement): Span | null =>
	element.startTag && element.span
		? { start: element.startTag.end, end: element.endTag?.start ?? element.span.end }
		: null;
