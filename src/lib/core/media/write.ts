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
 * A media condition that holds over an interval of widths, written as a sheet writes them: `(width >= 700px)`,
 * `(min-width: 700px) and (max-width: 999.98px)`. `em` is the px of one em in a query. Undefined for every width,
 * and for an interval that prefixes cannot name.
 */
export function writeCondition(interval: Interval, habits: Habits, em: Rational): string | undefined {
	const { lo, hi, loClosed, hiClosed } = interval;
	const length = (px: Rational): string => {
		const exact = habits.unit === 'px' ? px : divide(px, em);
		return `${printRational(exact).replace('≈', '')}${habits.unit}`;
	};
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
		const unit = habits.unit === 'px' ? hi : divide(hi, em);
		const top = hiClosed || !isWhole(unit) ? unit : subtract(unit, less);
		parts.push(`(max-width: ${printRational(top).replace('≈', '')}${habits.unit})`);
	}
	return parts.join(' and ');
}
