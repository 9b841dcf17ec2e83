import type { Habits } from '../css/index.ts';
import {
	isWhole,
	printRational,
	rational,
	rationalFromDecimal,
	subtract,
	divide,
	type Interval,
	type Rational
} from '../interval/index.ts';

/**
 * A media condition for an interval of widths, in a sheet's notation: `(width >= 700px)`, `(min-width: 700px) and
 * (max-width: 999.98px)`. `em` is the px of one em in a query. Undefined for every width, and for an interval that
 * prefixes cannot express.
 */
export function writeCondition(interval: Interval, habits: Habits, em: Rational): string | undefined {
	const { lo, hi, loClosed, hiClosed } = interval;
	const inUnit = (px: Rational): Rational => (habits.unit === 'px' ? px : divide(px, em));
	const written = (of: Rational): string => `${printRational(of).replace('≈', '')}${habits.unit}`;
	const length = (px: Rational): string => written(inUnit(px));
	const bounded = lo.n > 0n;
	if (!bounded && hi === null) return undefined;
	if (habits.query === 'range') {
		const low = loClosed ? '<=' : '<';
		const high = hiClosed ? '<=' : '<';
		if (hi === null) return `(width ${loClosed ? '>=' : '>'} ${length(lo)})`;
		return bounded ? `(${length(lo)} ${low} width ${high} ${length(hi)})` : `(width ${high} ${length(hi)})`;
	}
	if (bounded && !loClosed) return undefined;
	const parts = bounded ? [`(min-width: ${length(lo)})`] : [];
	if (hi !== null) {
		const less = rationalFromDecimal(habits.less) ?? rational(1);
		const end = inUnit(hi);
		parts.push(`(max-width: ${written(hiClosed || !isWhole(end) ? end : subtract(end, less))})`);
	}
	return parts.join(' and ');
}
