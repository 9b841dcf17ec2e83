import { firstOf, lastOf, type CurvePiece, type Point } from './piece.ts';
import type { Value } from './value.ts';

/** A place where a value begins to change in another way. */
export interface Change {
	/** Its numbers jump; or their slope changes; or its words change. */
	readonly kind: 'step' | 'knee' | 'words';
	/** The widths that were read on both sides, CSS px. */
	readonly before: number;
	readonly after: number;
	/**
	 * Where it is, CSS px: for a knee the point where the lines meet, possibly fractional; otherwise the first width of
	 * what follows.
	 */
	readonly at: number;
	/** How far off that may be, CSS px; 0 for everything but a knee. */
	readonly within: number;
	readonly from: Value;
	readonly to: Value;
	/** The slope of the number that changes most, per px of width. */
	readonly slopes: readonly [before: number, after: number];
}

/** A number of a value as a line: its value at a width, and its slope; undefined where only one point is known. */
interface Line {
	readonly at: number;
	readonly number: number;
	readonly slope: number;
}

/** The point of a piece that is nearest to a fraction of its length. */
function pointAt(piece: CurvePiece, part: number): Point {
	const [from, to] = [firstOf(piece).width, lastOf(piece).width];
	const target = from + part * (to - from);
	return piece.reduce((best, one) =>
		Math.abs(one.width - target) < Math.abs(best.width - target) ? one : best
	);
}

/**
 * The lines through the inside of a piece: a point at its end may belong to the neighbouring piece, within the
 * precision of reading.
 */
function linesOf(piece: CurvePiece): readonly Line[] | undefined {
	if (piece.length < 2) return undefined;
	const inner = [pointAt(piece, 1 / 4), pointAt(piece, 3 / 4)] as const;
	const [from, to] = inner[0] === inner[1] ? [firstOf(piece), lastOf(piece)] : inner;
	return from.value.numbers.map((number, i) => ({
		at: from.width,
		number,
		slope: ((to.value.numbers[i] ?? number) - number) / (to.width - from.width)
	}));
}

const valueAt = ({ at, number, slope }: Line, width: number): number => number + slope * (width - at);

/** Where the lines that differ most meet, and how far off that may be, if that is between the two pieces. */
function meeting(before: CurvePiece, after: CurvePiece, tolerance: number) {
	const [left, right] = [linesOf(before), linesOf(after)];
	if (!left || !right) return undefined;
	const bends = left.map(({ slope }, i) => Math.abs(slope - (right[i]?.slope ?? slope)));
	const most = bends.indexOf(Math.max(...bends));
	const [a, b] = [left[most], right[most]];
	if (!a || !b || a.slope === b.slope) return undefined;
	const at = (valueAt(b, 0) - valueAt(a, 0)) / (a.slope - b.slope);
	const within = tolerance / Math.abs(a.slope - b.slope);
	const [from, to] = [lastOf(before).width, firstOf(after).width];
	// Within the precision of reading, points near a bend lie on both lines.
	if (at < from - 3 * within || at > to + 3 * within) return undefined;
	// Numbers without a bend must not jump either.
	const leaps = left.some((line, i) => {
		const other = right[i];
		return other && Math.abs(valueAt(line, at) - valueAt(other, at)) > 4 * tolerance;
	});
	return leaps ? undefined : { at, within, slopes: [a.slope, b.slope] as const };
}

const slopeOf = (piece: CurvePiece, number: number): number => linesOf(piece)?.[number]?.slope ?? 0;

/** Where a value begins to change in another way, between its pieces, in ascending order. */
export function changesBetween(pieces: readonly CurvePiece[], tolerance: number): Change[] {
	return pieces.flatMap((piece, i): Change[] => {
		const next = pieces[i + 1];
		if (!next) return [];
		const [last, first] = [lastOf(piece), firstOf(next)];
		const sides = { before: last.width, after: first.width, from: last.value, to: first.value };
		if (last.value.words !== first.value.words)
			return [{ kind: 'words', ...sides, at: first.width, within: 0, slopes: [0, 0] }];
		const knee = meeting(piece, next, tolerance);
		if (knee) return [{ kind: 'knee', ...sides, ...knee }];
		const leaps = last.value.numbers.map((number, n) => Math.abs((first.value.numbers[n] ?? 0) - number));
		const most = leaps.indexOf(Math.max(...leaps));
		const slopes = [slopeOf(piece, most), slopeOf(next, most)] as const;
		return [{ kind: 'step', ...sides, at: first.width, within: 0, slopes }];
	});
}
