import { FLAG, type Snapshot } from '../snapshot/index.ts';

/** A rectangle by its edges, CSS px of the page. */
export interface Edges {
	readonly left: number;
	readonly top: number;
	readonly right: number;
	readonly bottom: number;
}

const edges = (columns: Float64Array, i: number): Edges => {
	const [left = 0, top = 0, width = 0, height = 0] = columns.subarray(4 * i, 4 * i + 4);
	return { left, top, right: left + width, bottom: top + height };
};

/** The border box of an element, and the box of a line of text. */
export const boxEdges = ({ boxes }: Snapshot, i: number): Edges => edges(boxes, i);
export const lineEdges = ({ lines }: Snapshot, i: number): Edges => edges(lines, i);

export const has = ({ flags }: Snapshot, i: number, flag: number): boolean => ((flags[i] ?? 0) & flag) !== 0;

/**
 * The width of the window without its scrollbar: the root's client width, in whole px, or its box where that is as
 * wide.
 */
export function windowWidth({ insides, boxes, width }: Snapshot): number {
	const inside = insides[2] || width;
	const root = boxes[2] ?? inside;
	return Math.abs(root - inside) < 1 ? root : inside;
}

/** Whether an element is the root or the body, whose overflow is propagated to the window. */
export const isPage = ({ parent, tags }: Pick<Snapshot, 'parent' | 'tags'>, i: number): boolean =>
	i === 0 || (parent[i] === 0 && tags[i] === 'body');

/** The nearest ancestor that clips an element, other than the page itself; -1 for none. */
export function clipOf(snapshot: Snapshot, i: number): number {
	let at = snapshot.clip[i] ?? -1;
	while (at >= 0 && isPage(snapshot, at)) at = snapshot.clip[at] ?? -1;
	return at;
}

/**
 * The part of a rectangle within an element, or of the element itself, that is not clipped; null where nothing
 * remains.
 */
export function unclipped(snapshot: Snapshot, element: number, rect: Edges): Edges | null {
	let { left, top, right, bottom } = rect;
	let at =
		has(snapshot, element, FLAG.clips) && !isPage(snapshot, element) ? element : clipOf(snapshot, element);
	for (; at >= 0; at = clipOf(snapshot, at)) {
		const box = boxEdges(snapshot, at);
		[left, top] = [Math.max(left, box.left), Math.max(top, box.top)];
		[right, bottom] = [Math.min(right, box.right), Math.min(bottom, box.bottom)];
	}
	return right > left && bottom > top ? { left, top, right, bottom } : null;
}

/** Whether one element is the other or contains it. */
export function isAround({ parent }: Snapshot, outer: number, inner: number): boolean {
	let at = inner;
	while (at > outer) at = parent[at] ?? -1;
	return at === outer;
}

/** Whether an element, or an ancestor of it, has any of some flags. */
export function isIn(snapshot: Snapshot, element: number, flags: number): boolean {
	for (let at = element; at >= 0; at = snapshot.parent[at] ?? -1) if (has(snapshot, at, flags)) return true;
	return false;
}
