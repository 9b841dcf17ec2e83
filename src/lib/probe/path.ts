/** The element at a path of child indexes from the root; null where there is none. */
export function elementByPath(document: Document, path: readonly number[]): Element | null {
	let element: Element | null = document.documentElement;
	for (const index of path) element = element?.children[index] ?? null;
	return element;
}

/** An element's place as child indexes from the root. */
export function pathOf(element: Element): number[] {
	const path: number[] = [];
	for (let at = element; at.parentElement; at = at.parentElement) {
		let before = 0;
		for (let one = at.previousElementSibling; one; one = one.previousElementSibling) before++;
		path.unshift(before);
	}
	return path;
}
