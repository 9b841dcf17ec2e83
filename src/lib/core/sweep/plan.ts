import { toNumber, type Cut } from '../interval/index.ts';
import {
	changes,
	isBetween,
	unshifted,
	wholeWidths,
	widthBetween,
	type ReadingsByWidth,
	type Shift,
	type WidthRange
} from './known.ts';

/** Which widths were measured, whatever was found there. */
type VisitedWidths = Pick<ReadonlySet<number>, 'has'>;

/** The last and the first whole width on either side of a cut, CSS px. */
export function sidesOf({ at, after }: Cut): [number, number] {
	const below = Math.floor(toNumber(at));
	return !after && Number.isInteger(toNumber(at)) ? [below - 1, below] : [below, below + 1];
}

/** A width between two cuts without a whole one in between, where it can be laid out (`FINE`). */
function between(a: Cut, b: Cut): number | undefined {
	const [from, to] = [toNumber(a.at), toNumber(b.at)];
	const [, first] = sidesOf(a);
	return first < to || (first === to && b.after) ? undefined : widthBetween(from, to);
}

/**
 * The widths with which a quick sweep begins, ascending: the ends of the range, a grid of so many px, the last and
 * first whole width on either side of every cut at which a condition changes, and one in each band narrower than a
 * px.
 */
export function firstWidths({ from, to }: WidthRange, cuts: readonly Cut[], step: number): number[] {
	const grid = Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);
	const sides = cuts.flatMap(sidesOf);
	const inside = cuts.flatMap((cut, i) => {
		const next = cuts[i + 1];
		return (next && between(cut, next)) ?? [];
	});
	const all = [...grid, to, ...sides, ...inside].filter((width) => from <= width && width <= to);
	return [...new Set(all)].sort((a, b) => a - b);
}

/** Where the line between two distances crosses 0, between the widths; the middle where there is no such line. */
function crossing([a, b]: readonly [number, number], [from, to]: readonly [number, number]): number {
	const at = a + ((b - a) * from) / (from - to);
	return Number.isFinite(at) && a < at && at < b ? at : (a + b) / 2;
}

/**
 * The widths to measure next, ascending, until every change lies between two adjacent whole px: where the line
 * between two distances crosses the limit or, if that was tried or a distance is missing, the middle. None once all
 * edges are exact.
 */
export function nextWidths(known: ReadingsByWidth, shift: Shift = unshifted): number[] {
	const widths = [...known.keys()].filter((width) => !isBetween(width)).sort((a, b) => a - b);
	const next = new Set<number>();
	widths.forEach((a, i) => {
		const b = widths[i + 1];
		if (b === undefined || b - a <= 1) return;
		const [left, right] = [known.get(a), known.get(b)];
		const tried = known.has(a - 1) || known.has(b + 1);
		for (const key of new Set([...(left?.keys() ?? []), ...(right?.keys() ?? [])])) {
			const [from, to] = [left?.get(key), right?.get(key)];
			const by = shift(key);
			if (by === undefined || !changes(from, to, by)) continue;
			if (tried || typeof from !== 'number' || typeof to !== 'number') {
				next.add(Math.floor((a + b) / 2));
				continue;
			}
			const at = crossing([a, b], [from + by, to + by]);
			for (const width of [Math.floor(at), Math.floor(at) + 1]) if (a < width && width < b) next.add(width);
		}
	});
	return [...next].sort((a, b) => a - b);
}

/** Up to so many of the whole widths not measured yet: first those that divide the widest gaps. */
export function remainingWidths(known: VisitedWidths, { from, to }: WidthRange, most: number): number[] {
	const next = new Set<number>();
	const size = to - from;
	for (let step = 2 ** Math.ceil(Math.log2(size + 1)); step >= 1; step /= 2) {
		for (let i = 0; i <= size; i += step) {
			if (next.size === most) return [...next];
			if (!known.has(from + i)) next.add(from + i);
		}
	}
	return [...next];
}

const HALF = 0.5;

/**
 * The widths half-way between two adjacent px at which something measured in numbers begins or ends although no
 * condition changes between them, if not measured yet. To be used once all whole widths are measured.
 */
export function halfWidths(known: ReadingsByWidth, cuts: readonly Cut[], shift: Shift = unshifted): number[] {
	return [...known.keys()]
		.filter((width) => {
			const [left, right] = [known.get(width), known.get(width + 1)];
			if (isBetween(width) || !right || known.has(width + HALF)) return false;
			if (cuts.some(({ at, after }) => lies(toNumber(at), after, width))) return false;
			return [...new Set([...(left?.keys() ?? []), ...right.keys()])].some((key) => {
				const [from, to, by] = [left?.get(key), right.get(key), shift(key)];
				return by !== undefined && typeof (from ?? to) === 'number' && changes(from, to, by);
			});
		})
		.map((width) => width + HALF);
}

/** Whether a cut is between a whole width and the next. */
const lies = (at: number, after: boolean, width: number): boolean =>
	(at > width || (at === width && after)) && (at < width + 1 || (at === width + 1 && !after));

/** The runs of unmeasured whole widths in a range, ascending: anything narrower than a run may be missed in it. */
export function unmeasured(known: VisitedWidths, stretch: WidthRange): WidthRange[] {
	const runs: { from: number; to: number }[] = [];
	for (const width of wholeWidths(stretch)) {
		const last = runs.at(-1);
		if (known.has(width)) continue;
		if (last?.to === width - 1) last.to = width;
		else runs.push({ from: width, to: width });
	}
	return runs;
}

/** How much of a range is measured: whole widths, how many there are, and the longest unmeasured run. */
export function coverage(
	known: VisitedWidths,
	stretch: WidthRange
): { readonly measured: number; readonly of: number; readonly unseen: number } {
	const lengths = unmeasured(known, stretch).map(({ from, to }) => to - from + 1);
	const of = stretch.to - stretch.from + 1;
	return {
		measured: of - lengths.reduce((sum, length) => sum + length, 0),
		of,
		unseen: Math.max(0, ...lengths)
	};
}
