import { own } from './own.ts';
import { elementByPath } from './path.ts';

/** What is read from a box, by name, CSS px of the page. */
const BOX = ['box:left', 'box:top', 'box:width', 'box:height'] as const;

/**
 * The box of an element and the computed values of some properties, by name; empty where there is no such element.
 */
export function followedIn(
	document: Document,
	{ path, longhands }: { readonly path: readonly number[]; readonly longhands: readonly string[] }
): Map<string, string> {
	const element = elementByPath(document, path);
	const window = own(document).defaultView;
	if (!element || !window) return new Map();
	const { left, top, width, height } = own(element).getBoundingClientRect();
	const box = [left + window.scrollX, top + window.scrollY, width, height];
	const isLaidOut = own(element).getClientRects().length > 0;
	const style = window.getComputedStyle(element);
	return new Map([
		...BOX.map((name, i): [string, string] => [name, isLaidOut ? `${box[i] ?? 0}px` : 'none']),
		...longhands.map((name): [string, string] => [name, style.getPropertyValue(name)])
	]);
}
