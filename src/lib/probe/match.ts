import { own } from './own.ts';
/** How many elements each selector matches; null for what is no selector. Natively, as the engine matches. */
export const hits = (document: Document, selectors: readonly string[]): (number | null)[] =>
	selectors.map((selector) => {
		try {
			return own(document).querySelectorAll(selector).length;
		} catch {
			return null;
		}
	});

/** The elements that a selector matches, in document order, no more than so many; none for what is no selector. */
export function found(document: Document, selector: string, limit: number): Element[] {
	try {
		return [...own(document).querySelectorAll(selector)].slice(0, limit);
	} catch {
		return [];
	}
}

/** Which of the selectors match an element; what is no selector matches none. */
export const matching = (element: Element | null, selectors: readonly string[]): boolean[] =>
	selectors.map((selector) => {
		try {
			return own(element)?.matches(selector) ?? false;
		} catch {
			return false;
		}
	});
