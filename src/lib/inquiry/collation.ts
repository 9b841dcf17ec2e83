import { collate, type Collated } from '../core/collation/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import {
	contains,
	fromInterval,
	rational,
	rationalFromNumber,
	toNumber,
	type Interval
} from '../core/interval/index.ts';
import { wholePixels, type Bands } from '../core/media/index.ts';
import { widthBetween } from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { Flips } from './flips.ts';
import { lineageOf, type Lineage } from './lineage.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';

/** A band, or a part of one between changes of a container query. */
export interface Column {
	readonly letter: string;
	readonly interval: Interval;
}

/** The columns of bands in a range, including those narrower than a pixel, split where container queries change. */
export function columnsOf(
	{ bands }: Bands,
	range: readonly [number, number],
	cuts: readonly number[]
): Column[] {
	return bands.flatMap(({ letter, interval }): Column[] => {
		const [least, most] = range;
		const isSeen = toNumber(interval.lo) >= least && interval.hi !== null && toNumber(interval.hi) <= most;
		if (!wholePixels(interval, range) && !isSeen) return [];
		const inside = cuts.map((cut) => rational(cut)).filter((cut) => contains(fromInterval(interval), cut));
		const starts = [null, ...inside];
		return starts.map((start, i) => {
			const next = starts[i + 1];
			return {
				letter: starts.length > 1 ? `${letter}${i + 1}` : letter,
				interval: {
					...interval,
					...(start ? { lo: start, loClosed: true } : {}),
					...(next ? { hi: next, hiClosed: false } : {})
				}
			};
		});
	});
}

/** Adjacent columns as one. */
export function joined(columns: readonly Column[]): Column {
	const [first, last] = [columns[0], columns.at(-1)];
	if (!first || !last) throw new RangeError('There is no column to join.');
	const { hi, hiClosed } = last.interval;
	return {
		letter: first === last ? first.letter : `${first.letter}–${last.letter}`,
		interval: { ...first.interval, hi, hiClosed }
	};
}

/** A width in a band without a whole px: one at which layout can be measured, where there is one. */
function between({ lo, hi }: Interval): number {
	const [from, to] = [toNumber(lo), hi ? toNumber(hi) : toNumber(lo)];
	return widthBetween(from, to) ?? (from + to) / 2;
}

/**
 * The width that stands for a column: the first of some that is in it, otherwise its middle; in whole px unless the
 * column is narrower than a pixel.
 */
export function widthOf({ interval }: Column, marks: readonly number[]): number {
	const set = fromInterval(interval);
	const found = marks.find((width) => width > 0 && contains(set, rationalFromNumber(width)));
	if (found !== undefined) return found;
	const pixels = wholePixels(interval, [240, 2560]);
	if (!pixels) return between(interval);
	const [first, last] = pixels;
	return Math.round(interval.hi === null ? Math.min(last, first * 1.2) : (first + last) / 2);
}

/** What is declared on an element, with a width for each column. */
export interface Collation extends Collated {
	readonly widths: readonly number[];
	readonly lineage: Lineage;
}

/** Asks the lead's frame about an element, and collates what is declared on it at some widths. */
export async function collationOf(
	page: InquiredPage,
	layout: Layout,
	path: ElementPath,
	vantage: SeenVantage,
	widths: readonly number[],
	also: readonly string[],
	flips?: Flips
): Promise<Collation> {
	const lineage = await lineageOf(page, layout, path, vantage, '', flips);
	const { sameAsParent, cascade } = lineage;
	const collated = collate({
		columns: widths.map(lineage.at),
		sameAsParent,
		registered: cascade.registered,
		also
	});
	return { ...collated, widths, lineage };
}
