import { FLAG, type Snapshot } from '../snapshot/index.ts';
import { has, isIn, lineEdges, unclipped, type Edges } from './geometry.ts';

/**
 * The boxes of lines are larger than their letters: this much of a line's height may overlap, and so many px of its
 * width.
 */
const [SHARED, BESIDE] = [0.4, 2];
/** Anything further apart is left out, px. */
export const APART = 24;

/** A line of text, and the element that contains the text. */
export interface Line extends Edges {
	readonly of: number;
}

/** Whether the text directly in an element is visible at all: it may be transparent. */
const isRead = (snapshot: Snapshot, of: number): boolean =>
	has(snapshot, of, FLAG.shown) && !isIn(snapshot, of, FLAG.clear);

/** Lines of text of visible elements, clipped or not. */
export const linesOf = (snapshot: Snapshot): Line[] =>
	[...snapshot.lineOf].flatMap((of, i) => (isRead(snapshot, of) ? [{ of, ...lineEdges(snapshot, i) }] : []));

/** The visible lines that move with the page, by their tops. */
export const seenLines = (snapshot: Snapshot): Line[] =>
	linesOf(snapshot)
		.flatMap((line) => {
			if (isIn(snapshot, line.of, FLAG.fixed | FLAG.sticky)) return [];
			const seen = unclipped(snapshot, line.of, line);
			return seen ? [{ of: line.of, ...seen }] : [];
		})
		.sort((a, b) => a.top - b.top);

/**
 * By how much a rectangle overlaps a line of a given height, not counting the space around its letters; below 0 their
 * distance.
 */
export const over = (a: Edges, b: Edges, height: number): number =>
	Math.min(
		Math.min(a.right, b.right) - Math.max(a.left, b.left) - BESIDE,
		Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) - SHARED * height
	);

/** Things grouped by a key. */
export function byKey<Item>(items: readonly Item[], key: (item: Item) => number): Map<number, Item[]> {
	const all = new Map<number, Item[]>();
	for (const item of items) {
		const of = key(item);
		const own = all.get(of);
		if (own) own.push(item);
		else all.set(of, [item]);
	}
	return all;
}
