/** The element at a path of child indexes from the root; null where there is none. */
export function elementByPath(document: Document, path: readonly number[]): Element | null {
	let element: Element | null = document.documentElement;
	for (const index of path) element = element?.children[index] ?? null;
	return element;
}
