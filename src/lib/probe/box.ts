import { own } from './own.ts';
import { paddingBox, type ElementBox, type Rect, type Sides } from '../core/box/index.ts';

export type { ElementBox };

const px = (value: string): number => Number.parseFloat(value) || 0;

const sides = (style: CSSStyleDeclaration, name: (side: string) => string): Sides => ({
	top: px(style.getPropertyValue(name('top'))),
	right: px(style.getPropertyValue(name('right'))),
	bottom: px(style.getPropertyValue(name('bottom'))),
	left: px(style.getPropertyValue(name('left')))
});

export const rectOf = ({ left, top, width, height }: DOMRect): Rect => ({ left, top, width, height });

/** The width of an element's content box; null where its padding and border do not reduce a block's width. */
function contentWidth(element: Element, style: CSSStyleDeclaration): number | null {
	if (style.display === 'inline' || style.display === 'contents') return null;
	const { width } = own(element).getBoundingClientRect();
	return (
		width -
		px(style.paddingLeft) -
		px(style.paddingRight) -
		px(style.borderLeftWidth) -
		px(style.borderRightWidth)
	);
}

/** An element's box in its window now, CSS px; null where it has none (it is not rendered). */
export function boxOf(element: Element): ElementBox | null {
	const window = own(own(element).ownerDocument).defaultView;
	if (!window || own(element).getClientRects().length === 0) return null;
	const style = window.getComputedStyle(element);
	const parent = own(element).parentElement;
	return {
		...rectOf(own(element).getBoundingClientRect()),
		margin: sides(style, (side) => `margin-${side}`),
		border: sides(style, (side) => `border-${side}-width`),
		padding: sides(style, (side) => `padding-${side}`),
		room: parent && contentWidth(parent, window.getComputedStyle(parent))
	};
}

/** The boxes next to an element: its rendered siblings, and the padding box of its parent. */
export function boxesAround(element: Element): { neighbours: Rect[]; around: Rect | null } {
	const parent = own(element).parentElement;
	const neighbours = [...(own(parent)?.children ?? [])]
		.filter((other) => other !== element && own(other).getClientRects().length > 0)
		.map((other) => rectOf(own(other).getBoundingClientRect()));
	const box = parent && boxOf(parent);
	return { neighbours, around: box && paddingBox(box) };
}

/** The names of a browser's longhands, cached because listing them takes longer than reading their values. */
let longhands: readonly string[] = [];

/** Computed longhands of an element, or of a pseudo-element of it, by name: all of them where none are named. */
export function computedValues(
	element: Element,
	pseudo?: string,
	names?: readonly string[]
): Map<string, string> {
	const style = own(own(element).ownerDocument).defaultView?.getComputedStyle(element, pseudo);
	if (!style) return new Map();
	if (!names && longhands.length !== style.length) longhands = [...style];
	const values = new Map<string, string>();
	for (const name of names ?? longhands) values.set(name, style.getPropertyValue(name));
	return values;
}
