export { hangs } from './hangs.ts';
export { FINE, widthBetween, widthsAround } from './known.ts';
export type { ReadingsByWidth, Readings, Shift, WidthRange } from './known.ts';
export { foundIn, type Found } from './found.ts';
export {
	coverage,
	firstWidths,
	halfWidths,
	nextWidths,
	remainingWidths,
	sidesOf,
	unmeasured
} from './plan.ts';
