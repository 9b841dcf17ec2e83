import { T, textOf, tokensOf } from '../css/tokens.ts';

/** A part of a value that is a share of something else: 5 of `%`, 1.5 of `em`. */
export interface Share {
	readonly number: number;
	readonly unit: '%' | 'em' | 'rem' | 'vw';
	readonly text: string;
}

/** The shares in a value, each once, in source order. */
export function sharesIn(value: string): Share[] {
	const tokens = tokensOf(value);
	const found = new Map<string, Share>();
	for (let i = 0; i < tokens.count; i++) {
		const type = tokens.types[i];
		if (type !== T.Percentage && type !== T.Dimension) continue;
		const text = textOf(tokens, i);
		const [, number, unit] = /^([-+.\de]*\d)(%|em|rem|vw)$/i.exec(text) ?? [];
		if (number === undefined || unit === undefined || found.has(text)) continue;
		found.set(text, { number: Number(number), unit: unit.toLowerCase() as Share['unit'], text });
	}
	return [...found.values()];
}

/** What a percentage of a property is a share of. */
export type PercentBasis = 'width' | 'height' | 'parent-font' | 'own-font';

const OF_WIDTH =
	/^((min-|max-)?width|margin-(top|right|bottom|left)|padding-(top|right|bottom|left)|left|right|text-indent)$/;
const OF_HEIGHT = /^((min-|max-)?height|top|bottom)$/;

/**
 * What a percentage of a longhand is a share of: the containing block's width (for margins and padding above and
 * below too) or height, the parent's text size, its own; undefined for other properties (CSS 2.2 §8.3, §8.4, §9.3.2,
 * §10.2, §10.5, §10.8.1, §15.7).
 */
export function percentBasis(longhand: string): PercentBasis | undefined {
	if (OF_WIDTH.test(longhand)) return 'width';
	if (OF_HEIGHT.test(longhand)) return 'height';
	if (longhand === 'font-size') return 'parent-font';
	return longhand === 'line-height' ? 'own-font' : undefined;
}
