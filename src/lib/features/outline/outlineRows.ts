import { nameOfElement, type Page, type PageElement, printPaths } from '$lib/core/html/index.ts';

/** A row of the outline of a page. */
export interface OutlineRow {
	readonly element: PageElement;
	/** Its path as in addresses. */
	readonly key: string;
	/** Undefined for an element without children. */
	readonly open: boolean | undefined;
	/** Its position among its parent's rows, from 1, and their number. */
	readonly place: number;
	readonly of: number;
}

export const keyOf = ({ path }: Pick<PageElement, 'path'>): string => printPaths([path]);

/**
 * The elements that a word matches, by their names or their own text, with all their ancestors; null without a word.
 */
function hitBy(page: Page, words: string): ReadonlySet<PageElement> | null {
	const word = words.trim().toLowerCase();
	if (word === '') return null;
	const found = new Set<PageElement>();
	for (const element of page.elements) {
		const hit =
			nameOfElement(element).toLowerCase().includes(word) || element.text.toLowerCase().includes(word);
		for (let at: PageElement | null = hit ? element : null; at && !found.has(at); at = at.parent)
			found.add(at);
	}
	return found;
}

/** The visible rows of a page's outline: the children of expanded rows, or what a word matches; at most `most`. */
export function outlineRows(
	page: Page,
	words: string,
	isOpen: (element: PageElement) => boolean,
	most: number
): OutlineRow[] {
	const hit = hitBy(page, words);
	const rows: OutlineRow[] = [];
	const put = (element: PageElement, place: number, of: number): void => {
		if (rows.length >= most) return;
		const children = hit ? element.children.filter((one) => hit.has(one)) : element.children;
		const open = children.length === 0 ? undefined : hit ? true : isOpen(element);
		rows.push({ element, key: keyOf(element), open, place, of });
		if (open) children.forEach((child, i) => put(child, i + 1, children.length));
	};
	if (!hit || hit.size > 0) put(page.root, 1, 1);
	return rows;
}
