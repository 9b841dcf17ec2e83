import {
	ceil,
	compare,
	compareCuts,
	contains,
	equal,
	EVERYTHING,
	floor,
	fromInterval,
	intersection,
	isWhole,
	rationalFromNumber,
	ZERO,
	type Cut,
	type Interval,
	type IntervalSet,
	type Rational
} from '../interval/index.ts';
import type { Span } from '../css/node.ts';
import type { MediaQuery } from './query.ts';

/** A media condition somewhere in a page's sources. */
export interface MediaSite {
	/** The file, and the place of the query's text in it. */
	readonly file: string;
	readonly span: Span;
	readonly text: string;
	readonly queries: readonly MediaQuery[];
	/** The conditions around it, outermost first: all must hold too. */
	readonly within: readonly MediaSite[];
}

/** Solves media query lists in one vantage. */
export type Solver = (list: readonly MediaQuery[]) => IntervalSet;

/** A width at which something changes, with the side it belongs to and every place that causes it. */
export interface Threshold {
	readonly cut: Cut;
	readonly causes: readonly MediaSite[];
}

/** A range in which no width condition changes. Its letter is only a heading, and changes with the sheet. */
export interface Band {
	readonly letter: string;
	readonly interval: Interval;
}

export interface Bands {
	readonly thresholds: readonly Threshold[];
	readonly bands: readonly Band[];
}

/** A, B, … Z, AA, AB, … for 0, 1, … 25, 26, 27, … */
export function bandLetter(index: number): string {
	const last = String.fromCharCode(65 + (index % 26));
	return index < 26 ? last : bandLetter(Math.floor(index / 26) - 1) + last;
}

/**
 * The thresholds and bands of a page in the vantage of a solver. A condition counts only where those around it hold,
 * so an outer condition can make a threshold disappear.
 */
export function bandsOf(sites: readonly MediaSite[], solve: Solver): Bands {
	const found: { cut: Cut; site: MediaSite }[] = [];
	for (const site of sites) {
		const set = solve(site.queries);
		const around = site.within.map(({ queries }) => solve(queries)).reduce(intersection, EVERYTHING);
		for (const cut of intersection(set, around).cuts) {
			if (set.cuts.some((mine) => compareCuts(mine, cut) === 0)) found.push({ cut, site });
		}
	}
	found.sort((a, b) => compareCuts(a.cut, b.cut));
	const thresholds: { cut: Cut; causes: MediaSite[] }[] = [];
	for (const { cut, site } of found) {
		const last = thresholds[thresholds.length - 1];
		if (last && compareCuts(last.cut, cut) === 0) last.causes.push(site);
		else thresholds.push({ cut, causes: [site] });
	}
	const edges: (Cut | null)[] = [{ at: ZERO, after: true }, ...thresholds.map(({ cut }) => cut), null];
	const bands = edges.slice(0, -1).map((from, i): Band => {
		const to = edges[i + 1] ?? null;
		const lo = from as Cut;
		return {
			letter: bandLetter(i),
			interval: { lo: lo.at, loClosed: !lo.after, hi: to && to.at, hiClosed: to ? to.after : false }
		};
	});
	return { thresholds, bands };
}

/** The first and last whole px of a range within another (whole px, both ends included); null where it has none. */
export function wholePixels(
	interval: Interval,
	range: readonly [number, number]
): readonly [number, number] | null {
	const { lo, loClosed, hi, hiClosed } = interval;
	const low = Number(loClosed || !isWhole(lo) ? ceil(lo) : lo.n + 1n);
	const high = hi === null ? Infinity : Number(hiClosed || !isWhole(hi) ? floor(hi) : hi.n - 1n);
	const first = Math.max(low, range[0]);
	const last = Math.min(high, range[1]);
	return first <= last ? [first, last] : null;
}

/** The band that contains a width (CSS px, above 0). */
export function bandAt(bands: readonly Band[], width: number): Band {
	const at = rationalFromNumber(width);
	const found = bands.find(({ interval }) => contains(fromInterval(interval), at));
	if (!found) throw new RangeError(`No band holds the width ${width}.`);
	return found;
}

/**
 * The first px of the next band (direction 1), or of this band or, from there, of the previous one (-1), skipping
 * bands without a whole px; the width itself where there is no further band.
 */
export function jump(
	bands: readonly Band[],
	width: number,
	direction: 1 | -1,
	range: readonly [number, number]
): number {
	const firsts = bands.flatMap(({ interval }) => wholePixels(interval, range)?.[0] ?? []);
	return (
		(direction === 1 ? firsts.find((first) => first > width) : firsts.findLast((first) => first < width)) ??
		width
	);
}

/** The conditions of a page that hold at different widths in two vantages. */
export const differing = (sites: readonly MediaSite[], a: Solver, b: Solver): MediaSite[] =>
	sites.filter(({ queries }) => !equal(a(queries), b(queries)));

/**
 * Widths at which both halves of a breakpoint hold (`max-width: 700px` beside `min-width: 700px`), where these are
 * two conditions: a single condition for one width is intended.
 */
export const overlapsOf = ({ thresholds }: Pick<Bands, 'thresholds'>): Rational[] =>
	thresholds.flatMap(({ cut, causes }, i) => {
		const next = thresholds[i + 1];
		const isPair = !cut.after && next?.cut.after && compare(next.cut.at, cut.at) === 0;
		return isPair && causes.some((one) => !next.causes.includes(one)) ? [cut.at] : [];
	});
