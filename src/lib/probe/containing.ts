import { own } from './own.ts';
import { pathOf } from './path.ts';

/** The box that percentages in an element's sizes and offsets refer to, CSS px. */
export interface ContainingBlock {
	readonly width: number;
	readonly height: number;
	/** The element that the box belongs to; null for the window. */
	readonly path: readonly number[] | null;
	/** Its content box; for absolutely positioned elements its padding box; for grid items their area. */
	readonly box: 'content' | 'padding' | 'area' | 'window';
}

const px = (value: string): number => Number.parseFloat(value) || 0;

/** Properties that can make a box contain even fixed elements. */
export const HOLDING: ReadonlySet<string> = new Set(['transform', 'perspective', 'filter', 'contain']);

/** Whether a box contains even fixed elements (CSS Transforms 1 §2, CSS Containment 2 §3). */
export const holdsAll = (style: CSSStyleDeclaration): boolean =>
	style.transform !== 'none' ||
	style.filter !== 'none' ||
	style.perspective !== 'none' ||
	/paint|layout|strict|content/.test(style.contain);

/**
 * The size of an item's grid area, from what the engine makes of 100 % there (CSS Grid 2 §6.2): the item gets such
 * sizes for a moment in which nothing is painted.
 */
function areaOf(element: HTMLElement, window: Window): { width: number; height: number } {
	const { style } = own(element);
	const before = own(element).getAttribute('style') ?? '';
	const computed = window.getComputedStyle(element);
	const used = (property: string, rules: string): number => {
		style.cssText = `${before}; transition: none !important; box-sizing: content-box !important; ${rules}; ${property}: 100% !important`;
		const found = px(computed.getPropertyValue(property));
		// As before, so that no transition can begin from the temporary values.
		style.cssText = `${before}; transition: none !important`;
		void computed.getPropertyValue(property);
		return found;
	};
	const width = used('margin-left', '');
	const height = used('height', 'min-height: 0 !important; max-height: none !important');
	if (before === '') own(element).removeAttribute('style');
	else own(element).setAttribute('style', before);
	return { width, height };
}

/** The containing block of an element (CSS 2.2 §10.1); undefined for what is not rendered. */
export function containingBlock(element: Element): ContainingBlock | undefined {
	const window = own(own(element).ownerDocument).defaultView;
	if (!window || own(element).getClientRects().length === 0) return undefined;
	const { position } = window.getComputedStyle(element);
	const out = position === 'absolute' || position === 'fixed';
	for (let at = own(element).parentElement; at; at = own(at).parentElement) {
		const style = window.getComputedStyle(at);
		if (style.display === 'contents') continue;
		const isIt = out
			? holdsAll(style) || (position === 'absolute' && style.position !== 'static')
			: style.display !== 'inline';
		if (!isIt) continue;
		if (!out && at === own(element).parentElement && style.display.endsWith('grid')) {
			// Where an item stands in the flow of percentages, frames' elements are of their own window.
			return { ...areaOf(element as HTMLElement, window), path: pathOf(at), box: 'area' };
		}
		const [across, down] = out
			? [0, 0]
			: [px(style.paddingLeft) + px(style.paddingRight), px(style.paddingTop) + px(style.paddingBottom)];
		return {
			width: own(at).clientWidth - across,
			height: own(at).clientHeight - down,
			path: pathOf(at),
			box: out ? 'padding' : 'content'
		};
	}
	return {
		width: own(own(window.document).documentElement).clientWidth,
		height: window.innerHeight,
		path: null,
		box: 'window'
	};
}
