import {
	add,
	ceil,
	compare,
	compareCuts,
	divide,
	floor,
	middle,
	multiply,
	negate,
	ONE,
	rational,
	sign,
	subtract,
	ZERO,
	type Cut,
	type Rational
} from '../interval/index.ts';
import type { Rounding } from './expression.ts';
import { line, valueAt, type Line } from './form.ts';

/** A range of widths over which a curve is one line, from one cut to the next. */
export interface LinearPiece {
	readonly from: Cut;
	readonly to: Cut;
	readonly line: Line;
}

/**
 * A quantity over viewport width, exact: pieces in ascending order, each beginning where the previous one ends. Where
 * two lines meet it has a knee, otherwise a step; the cut says which side the width itself belongs to.
 */
export type Curve = readonly LinearPiece[];

/** Widths from one cut to another. */
export interface Over {
	readonly from: Cut;
	readonly to: Cut;
}

/** All widths from one to another, CSS px, including both. */
export const over = (from: Rational, to: Rational): Over => ({
	from: { at: from, after: false },
	to: { at: to, after: true }
});

/** The largest number of pieces of a curve: rounding can make a step at every px. */
const MOST_PIECES = 20_000;

export const lineOver = ({ from, to }: Over, of: Line): Curve => [{ from, to, line: of }];

const sameLine = (a: Line, b: Line): boolean =>
	compare(a.slope, b.slope) === 0 && compare(a.constant, b.constant) === 0;

/** Joins pieces that continue the same line. */
export function joined(pieces: readonly LinearPiece[]): Curve {
	if (pieces.length < 2) return pieces;
	const all: LinearPiece[] = [];
	for (const piece of pieces) {
		const last = all.at(-1);
		if (last && sameLine(last.line, piece.line)) all[all.length - 1] = { ...last, to: piece.to };
		else all.push(piece);
	}
	return all;
}

const least = (a: Cut, b: Cut): Cut => (compareCuts(a, b) <= 0 ? a : b);

/** Combines two curves over the same widths; undefined where the combination of some pieces is undefined. */
function together(
	a: Curve,
	b: Curve,
	of: (a: Line, b: Line, over: Over) => readonly LinearPiece[] | undefined
): Curve | undefined {
	const pieces: LinearPiece[] = [];
	let [i, j] = [0, 0];
	let from = a[0]?.from;
	while (from) {
		const [one, other]: (LinearPiece | undefined)[] = [a[i], b[j]];
		if (!one || !other || pieces.length > MOST_PIECES) break;
		const to: Cut = least(one.to, other.to);
		const found = of(one.line, other.line, { from, to });
		if (!found) return undefined;
		pieces.push(...found);
		if (compareCuts(one.to, to) === 0) i++;
		if (compareCuts(other.to, to) === 0) j++;
		from = to;
	}
	return pieces.length > MOST_PIECES ? undefined : joined(pieces);
}

const plus = (a: Line, b: Line): Line => line(add(a.constant, b.constant), add(a.slope, b.slope));

/** The sum of two curves; without pieces where there would be too many. */
export const sumOf = (a: Curve, b: Curve): Curve =>
	together(a, b, (x, y, on) => lineOver(on, plus(x, y))) ?? [];

export const scaledBy = (curve: Curve, by: Rational): Curve =>
	curve.map((piece) => ({
		...piece,
		line: line(multiply(piece.line.constant, by), multiply(piece.line.slope, by))
	}));

/** One of the two factors must be constant in each piece, or the product is not a line. */
export const productOf = (a: Curve, b: Curve): Curve | undefined =>
	together(a, b, (x, y, on) => {
		const [of, by] = y.slope.n === 0n ? [x, y.constant] : [y, x.constant];
		if (x.slope.n !== 0n && y.slope.n !== 0n) return undefined;
		return lineOver(on, line(multiply(of.constant, by), multiply(of.slope, by)));
	});

/** The reciprocal of a curve that is constant in each piece, and not 0. */
export function inverseOf(curve: Curve): Curve | undefined {
	if (curve.some(({ line: { slope, constant } }) => slope.n !== 0n || constant.n === 0n)) return undefined;
	return curve.map((piece) => ({ ...piece, line: line(divide(ONE, piece.line.constant)) }));
}

/** Where a line has a value inside a range; undefined where it has it nowhere, or everywhere. */
function reaches({ constant, slope }: Line, value: Rational, { from, to }: Over): Rational | undefined {
	if (slope.n === 0n) return undefined;
	const at = divide(subtract(value, constant), slope);
	return compare(from.at, at) < 0 && compare(at, to.at) < 0 ? at : undefined;
}

/** The minimum or the maximum of two curves. */
export const chosenOf = (kind: 'min' | 'max', a: Curve, b: Curve): Curve | undefined =>
	together(a, b, (x, y, on) => {
		const gap = line(subtract(x.constant, y.constant), subtract(x.slope, y.slope));
		const at = reaches(gap, ZERO, on);
		const ends = at ? [on.from, { at, after: false }, on.to] : [on.from, on.to];
		return ends.slice(1).map((to, i) => {
			const from = ends[i] ?? on.from;
			const isLower = sign(valueAt(gap, middle(from.at, to.at))) <= 0;
			return { from, to, line: isLower === (kind === 'min') ? x : y };
		});
	});

/** Where the sign of a line changes within a range, before and after its zero, which may be an end of the range. */
export function signCuts({ constant, slope }: Line, { from, to }: Over): Cut[] {
	if (slope.n === 0n) return [];
	const at = divide(negate(constant), slope);
	return [false, true]
		.map((after): Cut => ({ at, after }))
		.filter((cut) => compareCuts(from, cut) < 0 && compareCuts(cut, to) < 0);
}

/** 1, 0 or −1 where a curve is above, at or below 0 (CSS Values 4 §10.6). */
export const signOf = (curve: Curve): Curve =>
	joined(
		curve.flatMap((piece) => {
			const ends = [piece.from, ...signCuts(piece.line, piece), piece.to];
			return ends.slice(1).map((to, i) => {
				const from = ends[i] ?? piece.from;
				return { from, to, line: line(rational(sign(valueAt(piece.line, middle(from.at, to.at))))) };
			});
		})
	);

const opposite = (curve: Curve): Curve => scaledBy(curve, negate(ONE));

/** A line rounded down to multiples of a step above 0. */
function multiplesUnder(of: Line, step: Line, { from, to }: Over): readonly LinearPiece[] | undefined {
	const [a, b] = [valueAt(step, from.at), valueAt(step, to.at)];
	if (a.n <= 0n || b.n <= 0n) return undefined;
	const share = (at: Rational): Rational => divide(valueAt(of, at), valueAt(step, at));
	const [begin, end] = [share(from.at), share(to.at)];
	const rises = compare(begin, end) <= 0;
	const [first, last] = rises ? [ceil(begin), floor(end)] : [ceil(end), floor(begin)];
	if (last - first > BigInt(MOST_PIECES)) return undefined;
	const cuts = Array.from({ length: Number(last - first) + 1 }, (_, i) => rational(first + BigInt(i)))
		.flatMap((times): Cut[] => {
			// A multiple itself belongs to what lies above it.
			const slope = subtract(of.slope, multiply(times, step.slope));
			const constant = subtract(of.constant, multiply(times, step.constant));
			return slope.n === 0n ? [] : [{ at: divide(negate(constant), slope), after: !rises }];
		})
		.filter((cut) => compareCuts(from, cut) < 0 && compareCuts(cut, to) < 0)
		.sort(compareCuts);
	const ends = [from, ...cuts, to];
	return ends.slice(1).map((next, i) => {
		const start = ends[i] ?? from;
		const times = rational(floor(share(middle(start.at, next.at))));
		return {
			from: start,
			to: next,
			line: line(multiply(step.constant, times), multiply(step.slope, times))
		};
	});
}

/** A curve rounded to multiples of a step that is above 0. */
function multiplesOf(how: Rounding, curve: Curve, step: Curve): Curve | undefined {
	const [first, last] = [curve[0], curve.at(-1)];
	if (!first || !last) return curve;
	switch (how) {
		case 'down':
			return together(curve, step, multiplesUnder);
		case 'up': {
			const down = multiplesOf('down', opposite(curve), step);
			return down && opposite(down);
		}
		case 'nearest':
			return multiplesOf('down', sumOf(curve, scaledBy(step, rational(1, 2))), step);
		case 'to-zero': {
			const nought = lineOver({ from: first.from, to: last.to }, line(ZERO));
			const [down, up] = [multiplesOf('down', curve, step), multiplesOf('up', curve, step)];
			const above = down && chosenOf('max', down, nought);
			const under = up && chosenOf('min', up, nought);
			return above && under && sumOf(above, under);
		}
	}
}

/** The absolute value of a step. */
const sizeOf = (step: Curve): Curve | undefined => chosenOf('max', step, opposite(step));

/** A curve rounded to multiples of a step (CSS Values 4 §10.3); undefined for a step of 0, or too many pieces. */
export function roundedTo(how: Rounding, curve: Curve, step: Curve): Curve | undefined {
	const size = sizeOf(step);
	return size && multiplesOf(how, curve, size);
}

/** The remainder of a curve after division by a step (CSS Values 4 §10.4), with the same limits. */
export function restOf(kind: 'mod' | 'rem', curve: Curve, step: Curve): Curve | undefined {
	const size = sizeOf(step);
	if (!size) return undefined;
	// With a negative step the remainder is negative, too.
	const isNegative = step.every((piece) => valueAt(piece.line, middle(piece.from.at, piece.to.at)).n < 0n);
	const taken = multiplesOf(kind === 'rem' ? 'to-zero' : isNegative ? 'up' : 'down', curve, size);
	return taken && sumOf(curve, opposite(taken));
}

/** The piece that contains a width; undefined where the curve does not reach it. */
function pieceAt(curve: Curve, width: Rational): LinearPiece | undefined {
	const cut: Cut = { at: width, after: false };
	// The first piece that ends above the width.
	let [low, high] = [0, curve.length];
	while (low < high) {
		const mid = (low + high) >> 1;
		if (compareCuts((curve[mid] as LinearPiece).to, cut) <= 0) low = mid + 1;
		else high = mid;
	}
	const found = curve[low];
	return found && compareCuts(found.from, cut) <= 0 ? found : undefined;
}

/** A curve at a width (CSS px); undefined where it does not reach it. */
export function valueOn(curve: Curve, width: Rational): Rational | undefined {
	const piece = pieceAt(curve, width);
	return piece && valueAt(piece.line, width);
}

/** Where a curve bends or jumps. */
export interface Joint {
	readonly kind: 'knee' | 'step';
	readonly cut: Cut;
	/** Its value approaching from narrower widths, and from wider ones. */
	readonly before: Rational;
	readonly after: Rational;
}

/** The knees and steps of a curve, ascending. */
export const jointsOf = (curve: Curve): Joint[] =>
	curve.slice(1).map(({ from, line: next }, i) => {
		const before = valueAt((curve[i] as LinearPiece).line, from.at);
		const after = valueAt(next, from.at);
		return { kind: compare(before, after) === 0 ? 'knee' : 'step', cut: from, before, after };
	});

/** A curve as it is within some of its widths. */
export function within(curve: Curve, { from, to }: Over): Curve {
	if (curve[0]?.from === from && curve.at(-1)?.to === to) return curve;
	return curve.flatMap((piece) => {
		const begin = compareCuts(piece.from, from) < 0 ? from : piece.from;
		const end = least(piece.to, to);
		return compareCuts(begin, end) < 0 ? [{ ...piece, from: begin, to: end }] : [];
	});
}
