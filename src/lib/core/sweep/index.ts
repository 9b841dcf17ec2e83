export { FINE, widthBetween } from './known.ts';
export type { Known, Readings, Stretch } from './known.ts';
export { foundIn, type Found } from './found.ts';
export { coverage, firstWidths, nextWidths, remainingWidths, sidesOf } from './plan.ts';
