import type { Snapshot } from '../snapshot/index.ts';

/** How the text of an element is broken into lines at one width. */
export interface Broken {
	/** How many lines it takes. */
	readonly lines: number;
	/** Characters on its fullest line, divided by the lines' widths; an unbroken line counts in full. */
	readonly characters: number;
	/** Whether the last of several lines has only one word. */
	readonly orphan: boolean;
}

/** Lines whose middles are no further apart than this fraction of their height count as one. */
const SAME_LINE = 0.5;

interface Row {
	middle: number;
	height: number;
	width: number;
	words: number;
}

/**
 * How the texts of some elements, including all their content, are broken in a snapshot: `texts` gives the characters
 * of each by its index. Elements without lines are left out.
 */
export function brokenIn(snapshot: Snapshot, texts: ReadonlyMap<number, number>): Map<number, Broken> {
	const rows = new Map<number, Row[]>();
	for (let i = 0; i < snapshot.lineOf.length; i++) {
		const [, top = 0, width = 0, height = 0] = snapshot.lines.subarray(4 * i, 4 * i + 4);
		if (width <= 0) continue;
		for (let at = snapshot.lineOf[i] ?? -1; at >= 0; at = snapshot.parent[at] ?? -1) {
			if (!texts.has(at)) continue;
			const own = rows.get(at) ?? [];
			rows.set(at, own);
			const middle = top + height / 2;
			const row = own.find(
				(one) => Math.abs(one.middle - middle) <= SAME_LINE * Math.max(height, one.height)
			);
			const words = snapshot.lineWords[i] ?? 0;
			if (row) {
				row.width += width;
				row.words += words;
			} else own.push({ middle, height, width, words });
		}
	}
	return new Map(
		[...rows].map(([at, all]) => {
			const whole = all.reduce((sum, { width }) => sum + width, 0);
			const fullest = Math.max(...all.map(({ width }) => width));
			const last = all.reduce((low, row) => (row.middle > low.middle ? row : low));
			return [
				at,
				{
					lines: all.length,
					characters: Math.round(((texts.get(at) ?? 0) * fullest) / whole),
					orphan: all.length > 1 && Math.round(last.words) === 1
				}
			];
		})
	);
}

/** Widths at which lines were counted, and the changes between them. */
export interface LineChange {
	/** The last measured width with so many lines, and the first with the next number, CSS px. */
	readonly before: number;
	readonly after: number;
	readonly from: number;
	readonly to: number;
}

/** Where a text takes more or fewer lines, between measured widths, ascending. */
export function lineChanges(known: ReadonlyMap<number, number>): LineChange[] {
	const all = [...known].sort(([a], [b]) => a - b);
	return all.slice(1).flatMap(([after, to], i): LineChange[] => {
		const [before, from] = all[i] ?? [after, to];
		return from === to ? [] : [{ before, after, from, to }];
	});
}

/** Where a text takes more or fewer lines, in words, from the narrow side: "3 up to 411, 2 up to 676". */
export const lineWords = (changes: readonly LineChange[]): string =>
	changes
		.map(({ before, after, from, to }) => {
			const place = after - before > 1 ? `${before}–${after}` : String(before);
			return from > to ? `${from} up to ${place}` : `${to} from ${after}`;
		})
		.join(', ');

/** The widths to measure next, so that each change of lines lies between two adjacent px; none where all do. */
export const nextForLines = (all: readonly ReadonlyMap<number, number>[]): number[] =>
	[
		...new Set(
			all.flatMap((known) =>
				lineChanges(known).flatMap(({ before, after }) =>
					after - before > 1 ? [Math.floor((before + after) / 2)] : []
				)
			)
		)
	].sort((a, b) => a - b);
