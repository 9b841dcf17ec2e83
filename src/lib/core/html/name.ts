import { classesOf } from './classes.ts';
import { attribute, elementAt, type ElementPath, type Page, type PageElement } from './page.ts';

/** The name of an element: its tag with id and classes, in selector syntax. */
export function nameOfElement(element: PageElement): string {
	const id = attribute(element, 'id');
	return [element.tag, ...(id ? [`#${id}`] : []), ...classesOf(element).map((name) => `.${name}`)].join('');
}

/** The name of the element at a path; a substitute where there is none. */
export function nameAt(page: Page, path: ElementPath, otherwise: string): string {
	const element = elementAt(page, path);
	return element ? nameOfElement(element) : otherwise;
}

/** The words of the first heading in an element; '' where it has none. */
export function headingIn(element: PageElement, limit = 40): string {
	for (const child of element.children) {
		const words = /^h[1-6]$/.test(child.tag) ? wordsIn(child, limit) : headingIn(child, limit);
		if (words !== '') return words;
	}
	return '';
}

/** Inline elements (HTML §4.5): words continue across their edges. */
const WITHIN_LINE = new Set(
	'a abbr b bdi bdo cite code data dfn em i kbd mark q s samp small span strong sub sup time u var wbr'.split(
		' '
	)
);
const NO_WORDS = new Set(['script', 'style', 'template', 'noscript']);

/** The text of an element with all its content, white space collapsed; at most so many characters. */
export function wordsIn(element: PageElement, limit = Infinity): string {
	const parts: string[] = [];
	let length = 0;
	const collect = ({ tag, content }: PageElement): void => {
		if (NO_WORDS.has(tag)) return;
		const edge = WITHIN_LINE.has(tag) ? '' : ' ';
		parts.push(edge);
		for (const piece of content) {
			if (length > limit) return;
			if (typeof piece !== 'string') {
				collect(piece);
				continue;
			}
			parts.push(piece);
			length += piece.trim().length;
		}
		parts.push(edge);
	};
	collect(element);
	const words = parts.join('').replace(/\s+/g, ' ').trim();
	return words.length > limit ? `${words.slice(0, Math.max(0, limit - 1)).trimEnd()}…` : words;
}
