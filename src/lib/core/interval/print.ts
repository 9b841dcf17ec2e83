import { compare, printRational } from './rational.ts';
import { intervals, isEmpty, isEverything, type Interval, type IntervalSet } from './set.ts';

/**
 * A range of widths, unambiguous about pixels and fractions: `<700`, `≤699`, `700–<1000`, `≥1000`, `599<–<600`,
 * `=700`. An end belongs to the range unless it has a `<`.
 */
export function printInterval(interval: Interval): string {
	const { lo, hi, loClosed, hiClosed } = interval;
	const unbounded = lo.n <= 0n;
	if (hi === null) return unbounded ? 'every width' : `${loClosed ? '≥' : '>'}${printRational(lo)}`;
	if (unbounded) return `${hiClosed ? '≤' : '<'}${printRational(hi)}`;
	if (compare(lo, hi) === 0) return `=${printRational(lo)}`;
	return `${printRational(lo)}${loClosed ? '' : '<'}–${hiClosed ? '' : '<'}${printRational(hi)}`;
}

/** A set of widths: its ranges in order, "every width" or "no width". */
export function printIntervalSet(set: IntervalSet): string {
	if (isEverything(set)) return 'every width';
	if (isEmpty(set)) return 'no width';
	return intervals(set).map(printInterval).join(', ');
}

/** A range in words for a sentence: "from 700 to under 1000", "up to 699", "between 599 and 600". */
export function sayInterval(interval: Interval): string {
	const { lo, hi, loClosed, hiClosed } = interval;
	const unbounded = lo.n <= 0n;
	if (hi === null) {
		if (unbounded) return 'at every width';
		return `${loClosed ? 'from' : 'above'} ${printRational(lo)}`;
	}
	const high = printRational(hi);
	if (unbounded) return hiClosed ? `up to ${high}` : `under ${high}`;
	const low = printRational(lo);
	if (compare(lo, hi) === 0) return `at exactly ${low}`;
	if (!loClosed && !hiClosed) return `between ${low} and ${high}`;
	return `${loClosed ? 'from' : 'above'} ${low} to ${hiClosed ? '' : 'under '}${high}`;
}
