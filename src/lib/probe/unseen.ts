import { own } from './own.ts';
import type { Rect } from '../core/box/index.ts';
import type { Unseen } from '../core/presence/index.ts';
import { rectOf } from './box.ts';
import { elementByPath } from './path.ts';
import { isOpaque } from './opaque.ts';

export type { Unseen };

const isClosed = (element: Element): boolean => {
	const details = own(element).closest('details:not([open])');
	return details !== null && details !== element;
};

/** Why an element is not rendered. */
function unrendered(element: Element, style: CSSStyleDeclaration, window: Window): Unseen | null {
	if (style.display === 'none') return 'display';
	for (let at = own(element).parentElement; at; at = own(at).parentElement) {
		if (window.getComputedStyle(at).display === 'none') return 'display-around';
	}
	if (isClosed(element)) return 'closed';
	if (style.display === 'contents') return null;
	return own(element).getClientRects().length === 0 ? 'no-box' : 'skipped';
}

const HIDES = new Set(['hidden', 'clip']);

/** Whether an element's box is entirely clipped by its ancestors (CSS Overflow 3 §3.1). */
function isClipped(element: Element, style: CSSStyleDeclaration, window: Window): boolean {
	if (/^inset\((50|100)%/.test(style.clipPath)) return true;
	const box = own(element).getBoundingClientRect();
	if (HIDES.has(style.overflowX) && box.width <= 1 && box.height <= 1) return true;
	let { position } = style;
	for (
		let at = own(element).parentElement;
		at && at !== own(own(at).ownerDocument).body;
		at = own(at).parentElement
	) {
		const around = window.getComputedStyle(at);
		// An absolutely positioned box is not clipped by what stands between it and its containing block.
		if (position === 'fixed') return false;
		if (position === 'absolute' && around.position === 'static') continue;
		position = around.position;
		const { left, top, right, bottom } = own(at).getBoundingClientRect();
		if (HIDES.has(around.overflowX) && (box.right <= left || box.left >= right)) return true;
		if (HIDES.has(around.overflowY) && (box.bottom <= top || box.top >= bottom)) return true;
	}
	return false;
}

/** Whether a box is where no scrolling leads: beyond the upper or the left edge, or fixed outside of the window. */
function isOff(box: DOMRect, style: CSSStyleDeclaration, window: Window): boolean {
	if (style.position === 'fixed') {
		const { innerWidth, innerHeight } = window;
		return box.right <= 0 || box.bottom <= 0 || box.left >= innerWidth || box.top >= innerHeight;
	}
	const leftwards = window.getComputedStyle(own(window.document).documentElement).direction === 'rtl';
	return box.bottom + window.scrollY <= 0 || (!leftwards && box.right + window.scrollX <= 0);
}

/** Whether something opaque covers an element at every tested point: its middle, and near its corners. */
function isCovered(element: Element, box: DOMRect, window: Window): boolean {
	const points = [
		[0.5, 0.5],
		[0.1, 0.1],
		[0.9, 0.1],
		[0.1, 0.9],
		[0.9, 0.9]
	].map(([x = 0, y = 0]) => [box.left + box.width * x, box.top + box.height * y] as const);
	const { innerWidth, innerHeight, document } = window;
	// Points outside of the window cannot be tested.
	if (!points.every(([x, y]) => x >= 0 && y >= 0 && x < innerWidth && y < innerHeight)) return false;
	return points.every(([x, y]) => {
		for (const over of own(document).elementsFromPoint(x, y)) {
			if (own(element).contains(over) || own(over).contains(element)) return false;
			if (isOpaque(over, window.getComputedStyle(over))) return true;
		}
		return false;
	});
}

/** Why an element does not show in its window as laid out now; null where it shows. */
export function unseenOf(element: Element, withCovers = true): Unseen | null {
	const window = own(own(element).ownerDocument).defaultView;
	if (!window) return null;
	const style = window.getComputedStyle(element);
	if (!own(element).checkVisibility() || own(element).getClientRects().length === 0) {
		return unrendered(element, style, window);
	}
	if (style.visibility !== 'visible') return 'visibility';
	if (!own(element).checkVisibility({ opacityProperty: true })) return 'opacity';
	const box = own(element).getBoundingClientRect();
	if (box.width === 0 || box.height === 0) return own(element).childNodes.length === 0 ? 'empty' : 'no-size';
	if (isClipped(element, style, window)) return 'clipped';
	if (isOff(box, style, window)) return 'off-page';
	return withCovers && isCovered(element, box, window) ? 'covered' : null;
}

/** The time limit for finding what covers elements, ms: engines take long on crowded pages. */
const PATIENCE = 150;

/** Every element of a page that does not show, by its path (indexes separated by points), and why. */
export function allUnseen(document: Document): Map<string, Unseen> {
	const found = new Map<string, Unseen>();
	const until = performance.now() + PATIENCE;
	const visit = (element: Element, path: string): void => {
		const why = unseenOf(element, performance.now() < until);
		if (why) found.set(path, why);
		[...own(element).children].forEach((child, i) => visit(child, path === '' ? String(i) : `${path}.${i}`));
	};
	const root = elementByPath(document, []);
	if (root) visit(root, '');
	return found;
}

/** Where an element that is not rendered would be, CSS px of its window; null where that has no box either. */
export function ghostOf(element: Element): Rect | null {
	const window = own(own(element).ownerDocument).defaultView;
	if (!window) return null;
	const changed: [element: HTMLElement, style: string | null][] = [];
	for (let at: Element | null = element; at; at = own(at).parentElement) {
		if (window.getComputedStyle(at).display !== 'none') continue;
		const one = at as HTMLElement;
		changed.push([one, own(one).getAttribute('style')]);
		own(one).style.setProperty('display', 'revert', 'important');
		if (window.getComputedStyle(one).display === 'none')
			own(one).style.setProperty('display', 'block', 'important');
	}
	const box = own(element).getClientRects().length > 0 ? rectOf(own(element).getBoundingClientRect()) : null;
	for (const [one, style] of changed) {
		if (style === null) own(one).removeAttribute('style');
		else own(one).setAttribute('style', style);
	}
	return box;
}
