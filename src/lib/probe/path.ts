import { own } from './own.ts';

/** The element at a path of child indexes from the root; null where there is none. */
export function elementByPath(document: Document, path: readonly number[]): Element | null {
	let element: Element | null = own(document).documentElement;
	for (const index of path) element = own(element)?.children[index] ?? null;
	return element;
}

/** An element's place as child indexes from the root. */
export function pathOf(element: Element): number[] {
	const path: number[] = [];
	let at = element;
	for (let parent = own(at).parentElement; parent; at = parent, parent = own(at).parentElement) {
		let before = 0;
		for (let one = own(at).previousElementSibling; one; one = own(one).previousElementSibling) before++;
		path.unshift(before);
	}
	return path;
}
