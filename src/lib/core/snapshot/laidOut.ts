import type { ElementPath } from '../html/index.ts';
import { FLAG, type Snapshot } from './snapshot.ts';

/** The layout of an element at a width. */
export interface LaidOut {
	readonly shown: boolean;
	/** Its border box, CSS px. */
	readonly width: number;
	readonly height: number;
	/**
	 * Its visible children, by their indexes among all its children, in visual order: row by row, each from the left.
	 */
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

/** The position of something, CSS px. */
export interface Placed {
	readonly index: number;
	readonly left: number;
	readonly top: number;
	readonly width: number;
	readonly height: number;
}

/**
 * Boxes in visual order, row by row, each from the left: a box that overlaps the first of a row vertically by more
 * than half of the lower one's height is in that row.
 */
export function visualRows(boxes: readonly Placed[]): Placed[][] {
	const rows: Placed[][] = [];
	for (const one of [...boxes].sort((a, b) => a.top - b.top)) {
		const row = rows.at(-1);
		const first = row?.[0];
		const beside = first ? first.top + first.height - one.top : 0;
		if (row && first && beside > Math.min(first.height, one.height) / 2) row.push(one);
		else rows.push([one]);
	}
	return rows.map((row) => row.sort((a, b) => a.left - b.left));
}

/** The children of every element, by its index. */
export function childrenOf({ parent }: Snapshot): number[][] {
	const children: number[][] = Array.from(parent, () => []);
	parent.forEach((of, i) => children[of]?.push(i));
	return children;
}

/** The visible ones of some siblings in visual order, by their positions among the siblings. */
export const shownAmong = ({ flags, boxes }: Snapshot, siblings: readonly number[]): Placed[] =>
	siblings.flatMap((of, index) => {
		const [left = 0, top = 0, width = 0, height = 0] = boxes.subarray(4 * of);
		return ((flags[of] ?? 0) & FLAG.shown) !== 0 ? [{ index, left, top, width, height }] : [];
	});

/** The layout of an element of a snapshot; undefined where the page has no such element. */
export function laidOut(snapshot: Snapshot, path: ElementPath): LaidOut | undefined {
	const at = elementOf(snapshot, path);
	if (at < 0) return undefined;
	const [, , width = 0, height = 0] = snapshot.boxes.subarray(4 * at);
	return {
		shown: ((snapshot.flags[at] ?? 0) & FLAG.shown) !== 0,
		width,
		height,
		order: visualRows(shownAmong(snapshot, childrenOf(snapshot)[at] ?? [])).flatMap((row) =>
			row.map(({ index }) => index)
		)
	};
}
