import * as z from 'zod/mini';
import { unzoomed } from './heights.ts';
import type { Vantage } from './vantage.ts';

/** Settings for all vantages at once, for a quick look; null leaves each vantage its own. */
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

/** A vantage with the switches that are no properties of a viewport. */
export type SeenVantage = Vantage & { readonly rightToLeft?: boolean; readonly fontsMissing?: boolean };

/** A vantage with switches applied, as a page in it sees it: its zoom is part of its size and density. */
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

/** The active switches, each in a few words. */
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
