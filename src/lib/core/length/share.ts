import { T, textOf, tokensOf } from '../css/tokens.ts';

/** A part of a value that is relative to something: 5 of `%`, 1.5 of `em`. */
export interface Share {
	readonly number: number;
	readonly unit: '%' | 'em' | 'rem' | 'vw';
	readonly text: string;
}

/** The relative parts of a value, each once, in source order. */
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

/**
 * What a percentage of a property refers to: the containing block's width or height, the size of the flex container
 * along its main axis, the parent's text size or the element's own, its own line height, the width or height of its
 * own content, both sides of its own border box.
 */
export type PercentBasis =
	| 'width'
	| 'height'
	| 'main-size'
	| 'parent-font'
	| 'own-font'
	| 'line-height'
	| 'own-width'
	| 'own-height'
	| 'own-box';

const BASES: readonly (readonly [PercentBasis, RegExp])[] = [
	[
		'width',
		/^((min-|max-)?width|margin-(top|right|bottom|left)|padding-(top|right|bottom|left)|left|right|text-indent)$/
	],
	['height', /^((min-|max-)?height|top|bottom)$/],
	['main-size', /^flex-basis$/],
	['parent-font', /^font-size$/],
	['own-font', /^line-height$/],
	['line-height', /^vertical-align$/],
	['own-width', /^(column-gap|grid-(template|auto)-columns)$/],
	['own-height', /^(row-gap|grid-(template|auto)-rows)$/],
	['own-box', /^(translate|transform|transform-origin|perspective-origin|border-.*-radius)$/]
];

/**
 * What a percentage of a longhand refers to; undefined for other properties (CSS 2.2 §8.3, §8.4, §9.3.2, §10.2,
 * §10.5, §10.8.1, §15.7; Flexbox 1 §7.2.3; Grid 2 §7.2.1; Box Alignment 3 §8.1; Transforms 1 §4; Backgrounds 3 §4.1).
 */
export const percentBasis = (longhand: string): PercentBasis | undefined =>
	BASES.find(([, names]) => names.test(longhand))?.[0];
