import { hasBars, type SeenVantage } from '../vantage/index.ts';

/**
 * Everything in a vantage, besides its size, that affects texts and rules; the height where bars make a difference.
 */
export const textKey = (vantage: SeenVantage): string =>
	JSON.stringify({
		...vantage,
		name: '',
		width: 0,
		density: 0,
		height: hasBars(vantage) ? vantage.height : 0
	});
