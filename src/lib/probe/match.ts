/** How many elements each selector hits; null for what is no selector. Natively, as the engine matches. */
export const hits = (document: Document, selectors: readonly string[]): (number | null)[] =>
	selectors.map((selector) => {
		try {
			return document.querySelectorAll(selector).length;
		} catch {
			return null;
		}
	});

/** Which of the selectors hit an element; what is no selector hits none. */
export const matching = (element: Element | null, selectors: readonly string[]): boolean[] =>
	selectors.map((selector) => {
		try {
			return element?.matches(selector) ?? false;
		} catch {
			return false;
		}
	});
