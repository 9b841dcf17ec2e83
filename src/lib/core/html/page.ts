import type { DefaultTreeAdapterTypes, Token } from 'parse5';
import type { Span } from '../css/node.ts';
import { atOnce, type Steps } from '../steps/index.ts';
import { parseBounded } from './bounded.ts';

/** An element's position as indexes among element children, from the root element (whose path is empty). */
export type ElementPath = readonly number[];

export interface Attribute {
	readonly value: string;
	/** Name, `=` and quoted value. Null for an attribute that the parser added. */
	readonly span: Span | null;
}

export interface PageElement {
	readonly path: ElementPath;
	/** Lower case, as in the parser. */
	readonly tag: string;
	readonly attributes: ReadonlyMap<string, Attribute>;
	/** Null for elements that the source only implies (`<tbody>`, a missing `<head>`). */
	readonly span: Span | null;
	readonly startTag: Span | null;
	/** Null where the source has no end tag. */
	readonly endTag: Span | null;
	/** The text directly inside, character references resolved. */
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
	/** All elements in document order, without the contents of `<template>`. */
	readonly elements: readonly PageElement[];
	/** True where an element has an attribute twice (the second is ignored). */
	readonly duplicateAttributes: boolean;
	/** True where the page has more or deeper elements than are read (`PAGE_LIMITS`). */
	readonly cut: boolean;
}

const spanOf = (location: Token.Location | null | undefined): Span | null =>
	location ? { start: location.startOffset, end: location.endOffset } : null;

class Built implements PageElement {
	readonly children: PageElement[] = [];
	readonly content: (string | PageElement)[] = [];
	readonly tag: string;
	readonly attributes: ReadonlyMap<string, Attribute>;
	readonly span: Span | null;
	readonly startTag: Span | null;
	readonly endTag: Span | null;
	readonly text: string;

	constructor(
		node: DefaultTreeAdapterTypes.Element,
		readonly parent: PageElement | null,
		/** Its index among its parent's children. */
		private readonly index: number,
		end: number
	) {
		const location = node.sourceCodeLocation;
		this.tag = node.tagName.toLowerCase();
		this.attributes = new Map(
			node.attrs.map((attribute) => {
				const name = attribute.prefix ? `${attribute.prefix}:${attribute.name}` : attribute.name;
				return [name, { value: attribute.value, span: spanOf(location?.attrs?.[name]) }];
			})
		);
		// An element cut off by the end of the text has no end of its own.
		this.span = location ? { start: location.startOffset, end: location.endOffset || end } : null;
		this.startTag = spanOf(location?.startTag ?? (location && !location.endTag ? location : null));
		this.endTag = spanOf(location?.endTag);
		this.text = node.childNodes.map((child) => ('value' in child ? child.value : '')).join('');
	}

	/** Computed on demand: the paths of all elements of a deep page would fill the memory. */
	get path(): ElementPath {
		const path: number[] = [];
		if (this.parent) path.push(this.index);
		for (let at = this.parent; at instanceof Built && at.parent; at = at.parent) path.push(at.index);
		return path.reverse();
	}
}

/** Elements that may have a shadow tree, besides custom elements (DOM §4.8, valid shadow host name). */
const HOSTS = /^(article|aside|blockquote|body|div|footer|h[1-6]|header|main|nav|p|section|span|[a-z].*-.*)$/;

/** The `<template>` that becomes an element's shadow tree, which is always the first one (HTML §13.2.6.4.4). */
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

/** How many elements are made in a step. */
const PER_STEP = 500;

/**
 * A page's source (LF line ends) as elements with spans and paths. Never throws; beyond the limits, only the
 * beginning of a page is read.
 */
export const parsePage = (source: string): Page => atOnce(parsePageInSteps(source));

/** The same in steps; `piece` is how much of the source one step reads, UTF-16 units. */
export function* parsePageInSteps(source: string, piece?: number): Steps<Page> {
	const { document, cut, duplicateAttributes } = yield* parseBounded(source, piece);
	const html = document.childNodes.find((node) => 'tagName' in node);
	if (!html || !('tagName' in html)) throw new Error('HTML parsing always makes a root element.');
	const elements: PageElement[] = [];
	const root = new Built(html, null, 0, source.length);
	const waiting: [DefaultTreeAdapterTypes.Element, Built][] = [[html, root]];
	for (let next = waiting.pop(); next; next = waiting.pop()) {
		const [node, element] = next;
		elements.push(element);
		if (elements.length % PER_STEP === 0) yield;
		const shadow = shadowTemplateOf(node);
		const inside: typeof waiting = [];
		for (const child of node.childNodes) {
			// It becomes its parent's shadow tree, and is not a child.
			if (child === shadow) continue;
			if ('tagName' in child) {
				const built = new Built(child, element, element.children.length, source.length);
				element.children.push(built);
				element.content.push(built);
				inside.push([child, built]);
			} else if ('value' in child) {
				element.content.push(child.value);
			}
		}
		// The first of them is read next, so that elements come in document order.
		for (let i = inside.length - 1; i >= 0; i--)
			waiting.push(inside[i] as [DefaultTreeAdapterTypes.Element, Built]);
	}
	return { source, root, elements, duplicateAttributes, cut };
}

/** The element at a path; undefined where the page has none there. */
export function elementAt(page: Page, path: ElementPath): PageElement | undefined {
	let element: PageElement | undefined = page.root;
	for (const index of path) element = element?.children[index];
	return element;
}

/** The innermost element whose source contains an offset. */
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

/** Whether an element has an ancestor with this tag. */
export function isInside(element: PageElement, tag: string): boolean {
	for (let at = element.parent; at; at = at.parent) if (at.tag === tag) return true;
	return false;
}

/** The span between an element's start and end tag; for `<style>`, whose text has no character references. */
export const innerSpan = (element: PageElement): Span | null =>
	element.startTag && element.span
		? { start: element.startTag.end, end: element.endTag?.start ?? element.span.end }
		: null;

/** The parts of a page's source that are sheets: the contents of its `<style>` elements. */
export const styleSpans = ({ elements }: Pick<Page, 'elements'>): Span[] =>
	elements.flatMap((element) => (element.tag === 'style' ? (innerSpan(element) ?? []) : []));
