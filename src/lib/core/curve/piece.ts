import type { Value } from './value.ts';

/** A value as it was read at a width, CSS px. */
export interface Point {
	readonly width: number;
	readonly value: Value;
}

/** What was read of a value, by width, CSS px. */
export type KnownValues = ReadonlyMap<number, Value>;

/**
 * Neighbouring widths at which a value's words are the same and its numbers lie on straight lines; at least one
 * width.
 */
export type CurvePiece = readonly [Point, ...Point[]];

export const firstOf = ([first]: CurvePiece): Point => first;
export const lastOf = (piece: CurvePiece): Point => piece.at(-1) ?? piece[0];

/**
 * The slopes that lines through a point may have, for each number of a value, so that everything read lies on them.
 */
type Slopes = readonly (readonly [least: number, most: number])[];

/** Narrows slopes to those that reach another point as well; undefined where none does. */
function narrowed(slopes: Slopes, from: Point, to: Point, tolerance: number): Slopes | undefined {
	const across = to.width - from.width;
	if (from.value.words !== to.value.words) return undefined;
	const next = from.value.numbers.map((number, i): readonly [number, number] => {
		const rise = (to.value.numbers[i] ?? NaN) - number;
		const [least, most] = slopes[i] ?? [-Infinity, Infinity];
		return [Math.max(least, (rise - tolerance) / across), Math.min(most, (rise + tolerance) / across)];
	});
	return next.every(([least, most]) => least <= most) ? next : undefined;
}

/** Whether a piece is just two neighbouring px with different values: these cannot tell a line from a jump. */
function isLeap([from, to, more]: CurvePiece, tolerance: number): boolean {
	return (
		to !== undefined &&
		more === undefined &&
		to.width - from.width <= 1 &&
		from.value.numbers.some((number, i) => Math.abs((to.value.numbers[i] ?? NaN) - number) > tolerance)
	);
}

/**
 * Splits what was read into pieces, in ascending order, each as long as possible: everything in a piece lies within
 * the tolerance of straight lines from its first point.
 */
export function piecesOf(known: KnownValues, tolerance: number): CurvePiece[] {
	const pieces: [Point, ...Point[]][] = [];
	let slopes: Slopes = [];
	/** Adds a point to the last piece where it lies on its lines. */
	const put = (point: Point): boolean => {
		const piece = pieces.at(-1);
		const next = piece && narrowed(slopes, piece[0], point, tolerance);
		if (!next) return false;
		piece.push(point);
		slopes = next;
		return true;
	};
	const begin = (point: Point): void => {
		pieces.push([point]);
		slopes = [];
	};
	/** A piece that jumps at its second point is split there. */
	const part = (): void => {
		const [piece] = pieces.slice(-1);
		if (!piece || !isLeap(piece, tolerance)) return;
		const second = piece.pop();
		if (second) begin(second);
	};
	for (const width of [...known.keys()].sort((a, b) => a - b)) {
		const value = known.get(width);
		if (!value || put({ width, value })) continue;
		part();
		if (!put({ width, value })) begin({ width, value });
	}
	part();
	return pieces;
}

/**
 * The widths to read next, in ascending order: the middle between two pieces that are more than a px apart, and of a
 * piece of which only the ends are known. None once every change lies between two neighbouring px.
 */
export function nextWidths(pieces: readonly CurvePiece[]): number[] {
	const next = pieces.flatMap((piece, i) => {
		const [first, last] = [firstOf(piece).width, lastOf(piece).width];
		const after = pieces[i + 1];
		const ends = [
			...(piece.length === 2 ? [[first, last] as const] : []),
			...(after ? [[last, firstOf(after).width] as const] : [])
		];
		return ends.flatMap(([from, to]) => (to - from > 1 ? Math.floor((from + to) / 2) : []));
	});
	return [...new Set(next)].sort((a, b) => a - b);
}
