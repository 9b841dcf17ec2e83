import { bottom, right, type Rect, type Side } from './box.ts';

/** A straight distance between two edges, CSS px; negative where the second edge lies within or beyond the first. */
export interface Gap {
	readonly side: Side;
	readonly length: number;
	/** Its two ends: from the box's own edge to the other. */
	readonly from: { readonly x: number; readonly y: number };
	readonly to: { readonly x: number; readonly y: number };
	/** Whether it ends at a neighbour or at the edge of the container of both. */
	readonly at: 'neighbour' | 'around';
}

/** The middle of the stretch that two ranges share; undefined where they do not overlap. */
function shared(a0: number, a1: number, b0: number, b1: number): number | undefined {
	const [from, to] = [Math.max(a0, b0), Math.min(a1, b1)];
	return to > from ? (from + to) / 2 : undefined;
}

const middle = (from: number, length: number): number => from + length / 2;

/** The distance from an edge of a box to an edge of another rectangle, on one side of the box. */
function way(box: Rect, other: Rect, side: Side, at: Gap['at']): Gap | undefined {
	const upright = side === 'top' || side === 'bottom';
	const across = upright
		? shared(box.left, right(box), other.left, right(other))
		: shared(box.top, bottom(box), other.top, bottom(other));
	if (across === undefined) return undefined;
	const inner = at === 'around';
	const [own, its, sign] = {
		top: [box.top, inner ? other.top : bottom(other), -1],
		bottom: [bottom(box), inner ? bottom(other) : other.top, 1],
		left: [box.left, inner ? other.left : right(other), -1],
		right: [right(box), inner ? right(other) : other.left, 1]
	}[side] as [number, number, number];
	const point = (along: number): { x: number; y: number } =>
		upright ? { x: across, y: along } : { x: along, y: across };
	return { side, length: (its - own) * sign + 0, from: point(own), to: point(its), at };
}

/**
 * The distance from each side of a box to the nearest neighbour on that side or, where there is none, to the edge of
 * its container. Elements that overlap the box are not counted as neighbours.
 */
export function gapsAround(box: Rect, neighbours: readonly Rect[], around: Rect | null): Gap[] {
	return (['top', 'right', 'bottom', 'left'] as const).flatMap((side) => {
		const near = neighbours
			.filter(({ width, height }) => width > 0 && height > 0)
			.flatMap((other) => way(box, other, side, 'neighbour') ?? [])
			.filter(({ length }) => length >= -0.01)
			.sort((a, b) => a.length - b.length)[0];
		return near ?? (around ? (way(box, around, side, 'around') ?? []) : []);
	});
}

/**
 * The distances between two boxes, one for each direction in which they are apart (or negative, in both directions,
 * where they overlap).
 */
export function gapsBetween(a: Rect, b: Rect): Gap[] {
	const across = b.left >= a.left ? 'right' : 'left';
	const along = b.top >= a.top ? 'bottom' : 'top';
	const x = middle(Math.max(a.left, b.left), Math.min(right(a), right(b)) - Math.max(a.left, b.left));
	const y = middle(Math.max(a.top, b.top), Math.min(bottom(a), bottom(b)) - Math.max(a.top, b.top));
	const gap = (side: Side, own: number, its: number): Gap => {
		const upright = side === 'top' || side === 'bottom';
		const point = (along: number) => (upright ? { x, y: along } : { x: along, y });
		const sign = side === 'top' || side === 'left' ? -1 : 1;
		return { side, length: (its - own) * sign + 0, from: point(own), to: point(its), at: 'neighbour' };
	};
	const sideways = across === 'right' ? gap('right', right(a), b.left) : gap('left', a.left, right(b));
	const upright = along === 'bottom' ? gap('bottom', bottom(a), b.top) : gap('top', a.top, bottom(b));
	const both = [sideways, upright];
	const apart = both.filter(({ length }) => length >= 0);
	return apart.length > 0 ? apart : both;
}
