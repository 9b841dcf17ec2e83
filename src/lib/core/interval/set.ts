import { add, compare, middle, ONE, subtract, ZERO, type Rational } from './rational.ts';

/**
 * A place between two neighbouring widths: just before the width `at`, or just after it. A set of widths changes only
 * at cuts, so a cut is a threshold together with the side it belongs to.
 */
export interface Cut {
	readonly at: Rational;
	/** False: the cut lies before `at`, so `at` belongs to what follows. True: `at` belongs to what precedes. */
	readonly after: boolean;
}

/** A range of widths, CSS px. `hi` is null where the range has no upper end (and is then open there). */
export interface Interval {
	readonly lo: Rational;
	readonly loClosed: boolean;
	readonly hi: Rational | null;
	readonly hiClosed: boolean;
}

/** A set of widths in (0, ∞), exact: begins as `startsInside` above 0 and toggles at each cut, ascending. */
export interface IntervalSet {
	readonly startsInside: boolean;
	readonly cuts: readonly Cut[];
}

export const NOTHING: IntervalSet = { startsInside: false, cuts: [] };
export const EVERYTHING: IntervalSet = { startsInside: true, cuts: [] };

/** Ascending order of cuts; the cut before a width precedes the cut after it. */
export const compareCuts = (a: Cut, b: Cut): number =>
	compare(a.at, b.at) || Number(a.after) - Number(b.after);

/** The widths above a cut; all of them where the cut is at or under 0. */
export const above = (cut: Cut): IntervalSet =>
	cut.at.n > 0n ? { startsInside: false, cuts: [cut] } : EVERYTHING;

/** The widths below a cut. */
export const below = (cut: Cut): IntervalSet => complement(above(cut));

export const complement = (set: IntervalSet): IntervalSet => ({
	startsInside: !set.startsInside,
	cuts: set.cuts
});

/** One range as a set; widths at or under 0 are left out, and an empty range is the empty set. */
export function fromInterval(interval: Interval): IntervalSet {
	const from = above({ at: interval.lo, after: !interval.loClosed });
	if (interval.hi === null) return from;
	return intersection(from, below({ at: interval.hi, after: interval.hiClosed }));
}

function combine(
	a: IntervalSet,
	b: IntervalSet,
	inside: (inA: boolean, inB: boolean) => boolean
): IntervalSet {
	const cuts: Cut[] = [];
	let inA = a.startsInside;
	let inB = b.startsInside;
	const startsInside = inside(inA, inB);
	let now = startsInside;
	let i = 0;
	let j = 0;
	while (i < a.cuts.length || j < b.cuts.length) {
		const cutA = a.cuts[i];
		const cutB = b.cuts[j];
		const order = !cutA ? 1 : !cutB ? -1 : compareCuts(cutA, cutB);
		const cut = (order <= 0 ? cutA : cutB) as Cut;
		if (order <= 0) {
			inA = !inA;
			i++;
		}
		if (order >= 0) {
			inB = !inB;
			j++;
		}
		const next = inside(inA, inB);
		if (next !== now) cuts.push(cut);
		now = next;
	}
	return { startsInside, cuts };
}

export const union = (a: IntervalSet, b: IntervalSet): IntervalSet => combine(a, b, (x, y) => x || y);
export const intersection = (a: IntervalSet, b: IntervalSet): IntervalSet => combine(a, b, (x, y) => x && y);
export const difference = (a: IntervalSet, b: IntervalSet): IntervalSet => combine(a, b, (x, y) => x && !y);

export const isEmpty = (set: IntervalSet): boolean => !set.startsInside && set.cuts.length === 0;
export const isEverything = (set: IntervalSet): boolean => set.startsInside && set.cuts.length === 0;

/** Whether two sets hold exactly the same widths. Representations are unique, so this compares them. */
export const equal = (a: IntervalSet, b: IntervalSet): boolean =>
	a.startsInside === b.startsInside &&
	a.cuts.length === b.cuts.length &&
	a.cuts.every((cut, i) => compareCuts(cut, b.cuts[i] as Cut) === 0);

/** Whether a width (CSS px, above 0) belongs to the set. Widths at or under 0 never do. */
export function contains(set: IntervalSet, width: Rational): boolean {
	if (width.n <= 0n) return false;
	let low = 0;
	let high = set.cuts.length;
	while (low < high) {
		const mid = (low + high) >> 1;
		const cut = set.cuts[mid] as Cut;
		const order = compare(cut.at, width);
		if (order < 0 || (order === 0 && !cut.after)) low = mid + 1;
		else high = mid;
	}
	return (low % 2 === 1) !== set.startsInside;
}

/** The ranges of a set, ascending, none touching the next. */
export function intervals(set: IntervalSet): Interval[] {
	const found: Interval[] = [];
	const ends: (Cut | null)[] = [...set.cuts, null];
	let from: Cut | null = set.startsInside ? { at: ZERO, after: true } : null;
	for (const end of ends) {
		if (from) {
			found.push({
				lo: from.at,
				loClosed: !from.after,
				hi: end ? end.at : null,
				hiClosed: end ? end.after : false
			});
			from = null;
		} else from = end;
	}
	return found;
}

/** A width inside a range: its middle, or 1 px above its lower end where it has no upper end. */
export const inside = (interval: Interval): Rational =>
	interval.hi === null ? add(interval.lo, ONE) : middle(interval.lo, interval.hi);

/**
 * Widths that together show all of a set: each edge, just inside it, just outside it, and a point inside each piece.
 * "Just" is half the distance to the neighbouring edge, at most `step` (CSS px).
 */
export function samplingPoints(set: IntervalSet, step: Rational): Rational[] {
	const pieces = [...intervals(set), ...intervals(complement(set))];
	const points = pieces.flatMap((piece) => {
		const half = inside(piece);
		const near = [half];
		const reach = (from: Rational): Rational => {
			const room = subtract(half, from);
			const size = room.n < 0n ? subtract(ZERO, room) : room;
			return compare(size, step) < 0 ? size : step;
		};
		if (piece.lo.n > 0n) near.push(piece.lo, add(piece.lo, reach(piece.lo)));
		if (piece.hi) near.push(piece.hi, subtract(piece.hi, reach(piece.hi)));
		return near;
	});
	return points
		.sort(compare)
		.filter((point, i) => point.n > 0n && (i === 0 || compare(point, points[i - 1] as Rational) !== 0));
}
