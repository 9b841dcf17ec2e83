import {
	compare,
	divide,
	middle,
	printRational,
	subtract,
	toNumber,
	type Rational
} from '../interval/index.ts';
import { valueAt, type Form, type Line } from './form.ts';

/** A stretch of widths over which a form is one line, CSS px; at the ends it is that of the pieces beside it, too. */
export interface FormPiece {
	readonly from: Rational;
	readonly to: Rational;
	readonly line: Line;
}

const same = (a: Line, b: Line): boolean =>
	compare(a.slope, b.slope) === 0 && compare(a.constant, b.constant) === 0;

/** Where two lines cross inside a stretch; undefined where they do not, or are the same. */
function crossing(a: Line, b: Line, from: Rational, to: Rational): Rational | undefined {
	const slope = subtract(a.slope, b.slope);
	if (slope.n === 0n) return undefined;
	const at = divide(subtract(b.constant, a.constant), slope);
	return compare(from, at) < 0 && compare(at, to) < 0 ? at : undefined;
}

/** The lower or the upper of two forms that are lines over the same stretch. */
function chosen(kind: 'min' | 'max', a: Line, b: Line, from: Rational, to: Rational): FormPiece[] {
	const at = crossing(a, b, from, to);
	const ends = at ? [from, at, to] : [from, to];
	return ends.slice(1).map((end, i) => {
		const begin = ends[i] ?? from;
		const at = middle(begin, end);
		const isLower = compare(valueAt(a, at), valueAt(b, at)) <= 0;
		return { from: begin, to: end, line: isLower === (kind === 'min') ? a : b };
	});
}

/** Pieces that go on as the same line, as one. */
function joined(pieces: readonly FormPiece[]): FormPiece[] {
	const all: FormPiece[] = [];
	for (const piece of pieces) {
		const last = all.at(-1);
		if (last && same(last.line, piece.line)) all[all.length - 1] = { ...last, to: piece.to };
		else all.push(piece);
	}
	return all;
}

/** Both pieces of two forms where they overlap. */
function overlaid(kind: 'min' | 'max', a: readonly FormPiece[], b: readonly FormPiece[]): FormPiece[] {
	return a.flatMap((one) =>
		b.flatMap((other) => {
			const from = compare(one.from, other.from) > 0 ? one.from : other.from;
			const to = compare(one.to, other.to) < 0 ? one.to : other.to;
			return compare(from, to) < 0 ? chosen(kind, one.line, other.line, from, to) : [];
		})
	);
}

/**
 * A form as straight pieces over a stretch of widths, ascending, exact: where one ends and the next begins is a knee (CSS
 * Values 4 §10.2, comparison functions). Both ends are CSS px, the first less than the last.
 */
export function piecesOf(form: Form, from: Rational, to: Rational): FormPiece[] {
	if (form.kind === 'line') return [{ from, to, line: form }];
	const [first, ...others] = form.of.map((part) => piecesOf(part, from, to));
	return joined(others.reduce((pieces, part) => overlaid(form.kind, pieces, part), first ?? []));
}

/** How a length goes over widths, in words: where it stands still, and where it grows or shrinks, by how much. */
export function piecesInWords(pieces: readonly FormPiece[]): string {
	const places = (width: Rational): string =>
		width.d === 1n ? printRational(width) : toNumber(width).toFixed(2);
	return pieces
		.map(({ from, to, line: { slope } }, i) => {
			const by = Number((Math.abs(toNumber(slope)) * 100).toFixed(3));
			const how =
				slope.n === 0n ? 'stands still' : `${slope.n > 0n ? 'grows' : 'shrinks'} by ${by} px a 100 px`;
			if (pieces.length === 1) return how;
			if (i === 0) return `${how} under ${places(to)}`;
			return i === pieces.length - 1 ? `${how} from ${places(from)}` : `${how} up to ${places(to)}`;
		})
		.join(', ');
}
