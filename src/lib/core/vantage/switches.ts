import * as z from 'zod/mini';
import { unzoomed } from './heights.ts';
import type { Vantage } from './vantage.ts';

/** What is switched for all vantages at once, for a quick look; null leaves each its own. */
export const switchesSchema = z.readonly(
	z.object({
		/** Text size set in the browser, px. */
		textSize: z.nullable(z.number()),
		zoom: z.nullable(z.number()),
		textSpacing: z.boolean(),
		rightToLeft: z.boolean(),
		fontsMissing: z.boolean()
	})
);
export type Switches = z.infer<typeof switchesSchema>;

export const NO_SWITCHES: Switches = {
	textSize: null,
	zoom: null,
	textSpacing: false,
	rightToLeft: false,
	fontsMissing: false
};

/** A vantage with what is no property of a viewport, but switched. */
export type SeenVantage = Vantage & { readonly rightToLeft?: boolean; readonly fontsMissing?: boolean };

/** A vantage under switches, as a page in it sees it: its zoom included in its size and density. */
export function seenVantage(vantage: Vantage, switches: Switches): SeenVantage {
	const { textSize, zoom, textSpacing, rightToLeft, fontsMissing } = switches;
	return {
		...unzoomed({
			...vantage,
			defaultFontSize: textSize ?? vantage.defaultFontSize,
			zoom: zoom ?? vantage.zoom,
			textSpacing: textSpacing || vantage.textSpacing
		}),
		rightToLeft,
		fontsMissing
	};
}

/** What is switched, each in a few words. */
export function switchesInWords(switches: Switches): string[] {
	const { textSize, zoom, textSpacing, rightToLeft, fontsMissing } = switches;
	return [
		...(textSize === null ? [] : [`text ${textSize} px`]),
		...(zoom === null ? [] : [`zoom ${zoom * 100} %`]),
		...(textSpacing ? ['text spaced'] : []),
		...(rightToLeft ? ['right to left'] : []),
		...(fontsMissing ? ['fonts missing'] : [])
	];
}
