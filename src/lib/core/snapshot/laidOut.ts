import type { ElementPath } from '../html/index.ts';
import { FLAG, type Snapshot } from './snapshot.ts';

/** How an element is laid out at a width. */
export interface LaidOut {
	readonly shown: boolean;
	/** Its border box, CSS px. */
	readonly width: number;
	readonly height: number;
	/** Its children that show, by their indexes among all its children, as they stand: row by row, each from the left. */
	readonly order: readonly number[];
}

/** The index of an element in a snapshot's columns, by its path; -1 where there is none. */
export function elementOf({ parent }: Snapshot, path: ElementPath): number {
	let at = 0;
	for (const index of path) {
		let left = index;
		at = parent.findIndex((of, i) => i > at && of === at && left-- === 0);
		if (at < 0) return -1;
	}
	return at;
}

interface Placed {
	readonly index: number;
	readonly left: number;
	readonly top: number;
	readonly height: number;
}

/** Boxes in visual order: what lies beside the first of a row by at least half of the lower one's height is in that row. */
function visualOrder(boxes: readonly Placed[]): number[] {
	const rows: Placed[][] = [];
	for (const one of [...boxes].sort((a, b) => a.top - b.top)) {
		const row = rows.at(-1);
		const first = row?.[0];
		const beside = first ? first.top + first.height - one.top : 0;
		if (row && first && beside > Math.min(first.height, one.height) / 2) row.push(one);
		else rows.push([one]);
	}
	return rows.flatMap((row) => row.sort((a, b) => a.left - b.left).map(({ index }) => index));
}

/** An element of a snapshot as it is laid out; undefined where the page has no such element. */
export function laidOut(snapshot: Snapshot, path: ElementPath): LaidOut | undefined {
	const at = elementOf(snapshot, path);
	if (at < 0) return undefined;
	const box = (i: number): readonly [number, number, number, number] =>
		[...snapshot.boxes.slice(4 * i, 4 * i + 4)] as [number, number, number, number];
	const isShown = (i: number): boolean => ((snapshot.flags[i] ?? 0) & FLAG.shown) !== 0;
	const children = [...snapshot.parent].flatMap((of, i) => (i > at && of === at ? [i] : []));
	const [, , width, height] = box(at);
	const placed = children.flatMap((i, index): Placed[] => {
		const [left, top, , tall] = box(i);
		return isShown(i) ? [{ index, left, top, height: tall }] : [];
	});
	return { shown: isShown(at), width, height, order: visualOrder(placed) };
}
