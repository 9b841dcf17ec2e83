import { pathOf } from './path.ts';

/** The box that percentages of an element's sizes and offsets are shares of, CSS px. */
export interface ContainingBlock {
	readonly width: number;
	readonly height: number;
	/** The element whose box it is; null for the window's. */
	readonly path: readonly number[] | null;
	/** Its content box, or, for what is positioned absolutely, its padding box. */
	readonly box: 'content' | 'padding' | 'window';
}

const px = (value: string): number => Number.parseFloat(value) || 0;

/** Whether a box holds even what is fixed (CSS Transforms 1 §2, CSS Containment 2 §3). */
const holdsAll = (style: CSSStyleDeclaration): boolean =>
	style.transform !== 'none' ||
	style.filter !== 'none' ||
	style.perspective !== 'none' ||
	/paint|layout|strict|content/.test(style.contain);

/**
 * The containing block of an element (CSS 2.2 §10.1); undefined for an item of a grid, whose area is not told by any
 * element's box, and for what is not rendered.
 */
export function containingBlock(element: Element): ContainingBlock | undefined {
	const window = element.ownerDocument.defaultView;
	if (!window || element.getClientRects().length === 0) return undefined;
	const { position } = window.getComputedStyle(element);
	const out = position === 'absolute' || position === 'fixed';
	for (let at = element.parentElement; at; at = at.parentElement) {
		const style = window.getComputedStyle(at);
		if (style.display === 'contents') continue;
		const isIt = out
			? holdsAll(style) || (position === 'absolute' && style.position !== 'static')
			: style.display !== 'inline';
		if (!isIt) continue;
		if (!out && at === element.parentElement && style.display.endsWith('grid')) return undefined;
		const [across, down] = out
			? [0, 0]
			: [px(style.paddingLeft) + px(style.paddingRight), px(style.paddingTop) + px(style.paddingBottom)];
		return {
			width: at.clientWidth - across,
			height: at.clientHeight - down,
			path: pathOf(at),
			box: out ? 'padding' : 'content'
		};
	}
	return {
		width: window.document.documentElement.clientWidth,
		height: window.innerHeight,
		path: null,
		box: 'window'
	};
}
