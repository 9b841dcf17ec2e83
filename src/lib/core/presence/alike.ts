import { attribute, isWithin, wordsIn, type Page, type PageElement } from '../html/index.ts';

/** Where the links in an element lead, including its own; each once. */
function targets(element: PageElement): Set<string> {
	const found = new Set<string>();
	const collect = (one: PageElement): void => {
		const href = one.tag === 'a' ? attribute(one, 'href') : undefined;
		if (href) found.add(href);
		one.children.forEach(collect);
	};
	collect(element);
	return found;
}

const same = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean =>
	a.size === b.size && [...a].every((one) => b.has(one));

const LABELS = ['aria-label', 'alt', 'title', 'value', 'placeholder'] as const;
const labelOf = (element: PageElement): string =>
	LABELS.map((name) => attribute(element, name)?.trim() ?? '').find((text) => text !== '') ?? '';

/** Characters of text that are compared. */
const TEXT = 400;

/**
 * Other elements of a page with the same content as an element: the same words, the same label, or (for elements with
 * two links or more) links to the same places. Its ancestors and descendants are left out, and so are elements whose
 * parent matches: the outermost match is named.
 */
export function alikeTo(page: Page, element: PageElement): PageElement[] {
	const words = wordsIn(element, TEXT);
	const links = targets(element);
	const label = labelOf(element);
	const saysSo = (one: PageElement): boolean => {
		if (words !== '' && words === wordsIn(one, TEXT)) return one.tag === element.tag || words.length > 2;
		if (words === '' && label !== '') return wordsIn(one, 1) === '' && labelOf(one) === label;
		return links.size > 1 && same(links, targets(one));
	};
	const found: PageElement[] = [];
	for (const one of page.elements) {
		if (isWithin(one.path, element.path) || isWithin(element.path, one.path)) continue;
		if (found.some((outer) => isWithin(one.path, outer.path))) continue;
		if (saysSo(one)) found.push(one);
	}
	return found;
}
