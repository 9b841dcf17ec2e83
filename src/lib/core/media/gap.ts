import { subtract, toNumber, type Interval } from '../interval/index.ts';
import { mostFrequent } from '../text/index.ts';
import { wholePixels, type Bands } from './bands.ts';

/** The width of a gap, CSS px. */
const widthOf = ({ lo, hi }: Interval): number => (hi === null ? Infinity : toNumber(subtract(hi, lo)));

/** Differences this small come from the decimal notation, CSS px. */
const SAME = 1e-6;

/** A habit needs at least so many breakpoints whose halves are equally far apart. */
const OFTEN = 2;

/**
 * How far apart the halves of breakpoints usually are on a page, CSS px: 1 where 599 and 600 px are written, 0.02
 * with 599.98, 0 where they meet (ranges) or where there is no habit, which takes at least two breakpoints, and most
 * of them.
 */
export function usualGap({ thresholds, bands }: Bands): number {
	const gaps = bands.flatMap(({ interval }) => {
		const width = widthOf(interval);
		return width > 0 && !wholePixels(interval, [0, Infinity]) ? [width.toFixed(4)] : [];
	});
	const meeting = thresholds.filter(({ causes }) => new Set(causes.map(({ text }) => text)).size > 1);
	const all = [...gaps, ...meeting.map(() => '0')];
	const usual = mostFrequent(all);
	const often = all.filter((one) => one === usual).length;
	return often >= OFTEN && often > all.length / 2 ? Number(usual) : 0;
}

/** Whether a gap is no wider than the halves of breakpoints are meant to be apart, CSS px. */
export const isMeantGap = (stretch: Interval, meant: number): boolean => {
	const width = widthOf(stretch);
	return width > 0 && width <= meant + SAME;
};
