import { hasBars, type SeenVantage } from '../vantage/index.ts';

/** What of a vantage, beside its size, texts and rules depend on; the height where bars make a difference. */
export const textKey = (vantage: SeenVantage): string =>
	JSON.stringify({
		...vantage,
		name: '',
		width: 0,
		density: 0,
		height: hasBars(vantage) ? vantage.height : 0
	});
