import { FLAG, type Snapshot } from '../snapshot/index.ts';
import { has, isIn, lineEdges, unclipped, type Edges } from './geometry.ts';

/** Boxes of lines reach beyond their letters: so much of a line's height may be shared, and so many px in width. */
const [SHARED, BESIDE] = [0.4, 2];
/** What is so far apart is left out, px. */
export const APART = 24;

/** A line of text, and the element that the text stands in. */
export interface Line extends Edges {
	readonly of: number;
}

/** Whether the text straight in an element is seen at all: it may be clear. */
const isRead = (snapshot: Snapshot, of: number): boolean =>
	has(snapshot, of, FLAG.shown) && !isIn(snapshot, of, FLAG.clear);

/** Lines of text, clipped or not, of elements that show. */
export const linesOf = (snapshot: Snapshot): Line[] =>
	[...snapshot.lineOf].flatMap((of, i) => (isRead(snapshot, of) ? [{ of, ...lineEdges(snapshot, i) }] : []));

/** What of lines is seen and moves with the page, by their tops. */
export const seenLines = (snapshot: Snapshot): Line[] =>
	linesOf(snapshot)
		.flatMap((line) => {
			if (isIn(snapshot, line.of, FLAG.fixed | FLAG.sticky)) return [];
			const seen = unclipped(snapshot, line.of, line);
			return seen ? [{ of: line.of, ...seen }] : [];
		})
		.sort((a, b) => a.top - b.top);

/** By how much a rectangle lies over a line of some height, beyond what its letters leave; under 0 how far it is from that. */
export const over = (a: Edges, b: Edges, height: number): number =>
	Math.min(
		Math.min(a.right, b.right) - Math.max(a.left, b.left) - BESIDE,
		Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) - SHARED * height
	);

/** Things by a key of theirs. */
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
