import { firstOf, lastOf, type CurvePiece, type Point } from './piece.ts';
import type { Value } from './value.ts';

/** Where a value changes otherwise than before. */
export interface Change {
	/** Its numbers leap; they go on, but more or less steeply than before; or it says something else. */
	readonly kind: 'step' | 'knee' | 'words';
	/** The widths that were read on both sides of it, CSS px. */
	readonly before: number;
	readonly after: number;
	/** Where it is, CSS px: of a knee where the lines meet, with a fraction; else the first width of what comes after. */
	readonly at: number;
	/** How far that may be off, CSS px; 0 for what is not a knee. */
	readonly within: number;
	readonly from: Value;
	readonly to: Value;
	/** How the number that changes most goes, by how much a px of width. */
	readonly slopes: readonly [before: number, after: number];
}

/** A number of a value as a line: where it is at a width, and its slope; undefined where one point alone is known. */
interface Line {
	readonly at: number;
	readonly number: number;
	readonly slope: number;
}

/** The point of a piece that is nearest to a part of its length. */
function pointAt(piece: CurvePiece, part: number): Point {
	const [from, to] = [firstOf(piece).width, lastOf(piece).width];
	const target = from + part * (to - from);
	return piece.reduce((best, one) =>
		Math.abs(one.width - target) < Math.abs(best.width - target) ? one : best
	);
}

/** The lines of a piece, by its inside: what lies at its ends may belong to what is beyond, as exactly as it was read. */
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

/** Where the lines that differ most meet, and how far that may be off, when that is between two pieces. */
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
	// Points near a bend lie on both lines, as exactly as they were read.
	if (at < from - 3 * within || at > to + 3 * within) return undefined;
	// Numbers that do not bend must not leap either.
	const leaps = left.some((line, i) => {
		const other = right[i];
		return other && Math.abs(valueAt(line, at) - valueAt(other, at)) > 4 * tolerance;
	});
	return leaps ? undefined : { at, within, slopes: [a.slope, b.slope] as const };
}

const slopeOf = (piece: CurvePiece, number: number): number => linesOf(piece)?.[number]?.slope ?? 0;

/** Where a value changes otherwise than before, between its pieces, ascending. */
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
