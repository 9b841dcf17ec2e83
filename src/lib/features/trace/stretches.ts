import { decider, type Outcome } from '$lib/core/cascade/index.ts';
import {
	contains,
	fromInterval,
	inside,
	printInterval,
	rationalFromNumber,
	toNumber,
	type Interval
} from '$lib/core/interval/index.ts';
import type { Bands } from '$lib/core/media/index.ts';
import type { Trace } from '$lib/inquiry/trace.ts';

/** Widths over which the same declaration decides a property. */
export interface TraceSegment {
	readonly from: Interval;
	readonly to: Interval;
	readonly outcome: Outcome;
}

/** The bands, each split where a container query changes. */
const piecesOf = ({ cuts }: Trace, { bands }: Bands): Interval[] =>
	bands.flatMap(({ interval }) => {
		const inBand = cuts.filter((cut) => contains(fromInterval(interval), rationalFromNumber(cut)));
		const edges = inBand.map((cut) => rationalFromNumber(cut));
		return [...edges, null].map((hi, i) => ({
			lo: edges[i - 1] ?? interval.lo,
			loClosed: i > 0 || interval.loClosed,
			hi: hi ?? interval.hi,
			hiClosed: hi === null && interval.hiClosed
		}));
	});

/** What decides a property, band by band, with equal neighbours joined. */
export function stretchesOf(trace: Trace, property: string, bands: Bands): TraceSegment[] {
	const found: TraceSegment[] = [];
	for (const piece of piecesOf(trace, bands)) {
		const there = trace.at(property, toNumber(inside(piece)));
		if (!there) continue;
		const before = found.at(-1);
		const same =
			before &&
			before.outcome.kind === there.kind &&
			decider(before.outcome)?.span.start === decider(there)?.span.start &&
			decider(before.outcome)?.file === decider(there)?.file;
		if (before && same) found[found.length - 1] = { ...before, to: piece };
		else found.push({ from: piece, to: piece, outcome: there });
	}
	return found;
}

/** The widths of a stretch in the usual notation. */
export const widthsOfStretch = ({ from, to }: TraceSegment): string =>
	printInterval({ lo: from.lo, loClosed: from.loClosed, hi: to.hi, hiClosed: to.hiClosed });
