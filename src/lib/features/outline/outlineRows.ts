import { nameOfElement, type Page, type PageElement, printPaths } from '$lib/core/html/index.ts';

/** A row of the outline of a page. */
export interface OutlineRow {
	readonly element: PageElement;
	/** Its path as an address has it. */
	readonly key: string;
	/** Undefined for what has nothing in it. */
	readonly open: boolean | undefined;
	/** Which of its parent's rows it is, from 1, and of how many. */
	readonly place: number;
	readonly of: number;
}

export const keyOf = ({ path }: Pick<PageElement, 'path'>): string => printPaths([path]);

/** The elements that a word matches, by their names or the words straight in them, with all around them; null without a word. */
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

/** The rows of a page's outline that are to be seen: what is in what is open, or what a word matches; `most` at most. */
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
