import {
	fromInterval,
	NOTHING,
	sign,
	union,
	ZERO,
	middle,
	compare,
	type Cut,
	type IntervalSet
} from '../interval/index.ts';
import { scaledBy, signCuts, sumOf, type Curve, type Over } from './curve.ts';
import { valueAt } from './form.ts';

/** The widths from one cut to another as a set. */
export const widthsOver = ({ from, to }: Over): IntervalSet =>
	fromInterval({ lo: from.at, loClosed: !from.after, hi: to.at, hiClosed: to.after });

/** The widths at which a curve's sign, −1, 0 or 1, is an accepted one; exact, including the ends. */
export function widthsWhere(curve: Curve, counts: (sign: number) => boolean): IntervalSet {
	return curve.reduce<IntervalSet>((set, piece) => {
		const ends: readonly Cut[] = [piece.from, ...signCuts(piece.line, piece), piece.to];
		return ends.slice(1).reduce<IntervalSet>((found, end, i) => {
			const begin = ends[i] ?? piece.from;
			const here = sign(valueAt(piece.line, middle(begin.at, end.at)));
			return counts(here) ? union(found, widthsOver({ from: begin, to: end })) : found;
		}, set);
	}, NOTHING);
}

/** The widths at which one curve is less than another. */
export const whereLess = (a: Curve, b: Curve): IntervalSet =>
	widthsWhere(sumOf(a, scaledBy(b, { n: -1n, d: 1n })), (sign) => sign < 0);

/** Whether a curve is 0 everywhere. */
export const isNought = (curve: Curve): boolean =>
	curve.every(({ line }) => compare(line.constant, ZERO) === 0 && compare(line.slope, ZERO) === 0);
