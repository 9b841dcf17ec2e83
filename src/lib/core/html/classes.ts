import type { Change } from '../text/index.ts';
import { isWithin } from './path.ts';
import { attribute, type Page, type PageElement } from './page.ts';

/** A class that can be written without escapes (CSS Syntax 3 §4.3.9, for an identifier). */
export const CLASS_NAME = /^-?[A-Za-z_\u0080-\uffff][-\w\u0080-\uffff]*$/;

/** The classes of an element, in order. */
export const classesOf = (element: PageElement): string[] =>
	(attribute(element, 'class') ?? '').split(/\s+/).filter(Boolean);

/**
 * The change of a page's text that adds a class to an element: in its attribute, or in a new one at the end of its
 * start tag; nothing else of the tag changes. Undefined where it already has the class, or has no tag.
 */
export function giveClass({ source }: Page, element: PageElement, name: string): Change | undefined {
	const { startTag } = element;
	if (!startTag || classesOf(element).includes(name)) return undefined;
	const span = element.attributes.get('class')?.span;
	if (!span) {
		const tag = source.slice(startTag.start, startTag.end);
		const end = startTag.start + tag.length - (/\s*\/?>$/.exec(tag)?.[0].length ?? 0);
		return { start: end, end, text: ` class="${name}"` };
	}
	const written = source.slice(span.start, span.end);
	const [, head = '', quote = '', value = ''] = /^([^=]*(?:=\s*)?)(["']?)([\s\S]*?)\2$/.exec(written) ?? [];
	// An unquoted value cannot contain a space, and an attribute without a value has none to add to.
	if (quote === '') {
		const text = `${head.includes('=') ? head : `${head}=`}"${value === '' ? '' : `${value} `}${name}"`;
		return { start: span.start, end: span.end, text };
	}
	const at = span.end - quote.length;
	return { start: at, end: at, text: value === '' || /\s$/.test(value) ? name : ` ${name}` };
}

/** Elements with the same tag and classes as a given one: on the whole page, or within its nearest section. */
export function likeIt(page: Page, element: PageElement, within: 'page' | 'section'): PageElement[] {
	const classes = classesOf(element).sort().join(' ');
	const isLike = (one: PageElement): boolean =>
		one.tag === element.tag && classesOf(one).sort().join(' ') === classes;
	const section = within === 'section' ? sectionOf(element.parent ?? element) : page.root;
	return page.elements.filter((one) => isLike(one) && isWithin(one.path, section.path));
}

const SECTIONS = new Set(['section', 'article', 'aside', 'nav', 'header', 'footer', 'main', 'form']);

/**
 * The nearest section (HTML §4.3, and forms) that an element is or is in; the body, or the root, where there is none.
 */
export function sectionOf(element: PageElement): PageElement {
	let at = element;
	while (at.parent && !SECTIONS.has(at.tag) && at.tag !== 'body') at = at.parent;
	return at;
}

/** The position of a section among all of the page, from 1; 0 for anything else. */
export const sectionNumber = (page: Page, section: PageElement): number =>
	page.elements.filter(({ tag }) => SECTIONS.has(tag)).indexOf(section) + 1;
