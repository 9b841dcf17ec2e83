import {
	compare,
	divide,
	intersection,
	isEmpty,
	multiply,
	printIntervalSet,
	rational,
	toNumber,
	type IntervalSet
} from '../interval/index.ts';
import {
	curveOf,
	jointsOf,
	line,
	lineOver,
	over,
	printWidth,
	scaledBy,
	sumOf,
	valueAt,
	valueOn,
	whereLess,
	widthsWhere,
	within,
	type Curve,
	type CurveContext,
	type Expression,
	type Over
} from '../length/index.ts';
import { parseExpression, partsOf } from '../length/expression.ts';
import { tokensOf } from '../css/tokens.ts';
import type { Source } from './size.ts';

/** A remark on a size that may be unintended, in a sentence. */
export interface TypeNote {
	readonly kind:
		| 'ends-exchanged'
		| 'middle-idle'
		| 'window-alone'
		| 'knee-outside'
		| 'against'
		| 'small'
		| 'nested'
		| 'height'
		| 'deaf'
		| 'crosses';
	readonly sentence: string;
	/** Where it applies; null for all widths. */
	readonly widths: IntervalSet | null;
}

const px = (value: number): string => `${Number(value.toFixed(2))} px`;

/** A parsed `clamp()`: the greater of least and the lesser of middle and most. */
function clampIn(expression: Expression): readonly [Expression, Expression, Expression] | undefined {
	if (expression.kind !== 'max' || expression.of.length !== 2) return undefined;
	const [least, inner] = expression.of;
	if (!least || inner?.kind !== 'min' || inner.of.length !== 2) return undefined;
	const [middle, most] = inner.of;
	return middle && most && [least, middle, most];
}

/** Remarks on a value, by its text. */
export function notesOfValue(text: string, context: CurveContext): TypeNote[] {
	const tokens = tokensOf(text);
	const expression = parseExpression(tokens, 0, tokens.count);
	if (!expression) return [];
	const notes: TypeNote[] = [];
	const curve = (of: Expression): Curve | undefined => {
		const found = curveOf(of, context);
		return found.kind === 'curve' ? found.curve : undefined;
	};
	for (const part of partsOf(expression)) {
		const [least, middle, most] = clampIn(part)?.map(curve) ?? [];
		if (!least || !middle || !most) continue;
		const exchanged = whereLess(most, least);
		if (!isEmpty(exchanged)) {
			const sentence = `The minimum is above the maximum, ${printIntervalSet(exchanged)}: the minimum wins there.`;
			notes.push({ kind: 'ends-exchanged', sentence, widths: exchanged });
			continue;
		}
		const idle = isEmpty(intersection(whereLess(least, middle), whereLess(middle, most)));
		if (idle) {
			const sentence = 'The middle of this clamp() is in force at no width: it stays constant at its ends.';
			notes.push({ kind: 'middle-idle', sentence, widths: null });
		}
	}
	const units = [...partsOf(expression)].flatMap((part) => (part.kind === 'dimension' ? part.unit : []));
	const high = units.find((unit) => /^[sld]?v(h|b|min|max)$/.test(unit));
	if (high) {
		const sentence = `“${high}” lets the size go by the height of the window: it changes when the window is turned or its bars move.`;
		notes.push({ kind: 'height', sentence, widths: null });
	}
	return notes;
}

/** The widths over which knees are looked for besides those that are shown, CSS px. */
export const BEYOND = over(rational(1), rational(10_000));

/** Remarks on a size over all widths; `curve` may extend beyond the widths in question. */
export function notesOfSize(curve: Curve, over: Over): TypeNote[] {
	const notes: TypeNote[] = [];
	const here = within(curve, over);
	const small = whereLess(here, lineOver(over, line(rational(12))));
	if (!isEmpty(small)) {
		const least = Math.min(
			...here.flatMap(({ from, to, line: { constant, slope } }) =>
				[from, to].map(({ at }) => toNumber(constant) + toNumber(slope) * toNumber(at))
			)
		);
		const sentence = `It is smaller than 12 px, ${printIntervalSet(small)}: ${px(least)} at the least.`;
		notes.push({ kind: 'small', sentence, widths: small });
	}
	const alone = here.filter(({ line: { constant, slope } }) => constant.n === 0n && slope.n !== 0n);
	if (alone.length > 0) {
		const widths = widthsWhere(
			here.map((piece) => ({
				...piece,
				line: alone.includes(piece) ? line(rational(1)) : line(rational(0))
			})),
			(of) => of > 0
		);
		const sentence = `It depends on the window alone, ${printIntervalSet(widths)}: neither zoom nor a larger text size in the browser makes it larger there.`;
		notes.push({ kind: 'window-alone', sentence, widths });
	}
	const joints = jointsOf(curve);
	const outside = joints.filter(
		({ kind, cut }) =>
			kind === 'knee' && (compare(cut.at, over.from.at) < 0 || compare(cut.at, over.to.at) > 0)
	);
	for (const { cut } of outside) {
		const sentence = `It has a knee at ${printWidth(cut.at)} px, outside the widths shown.`;
		notes.push({ kind: 'knee-outside', sentence, widths: null });
	}
	const [first, last] = [valueOn(here, over.from.at), valueOn(here, over.to.at)];
	const grows = first && last ? compare(last, first) : 0;
	for (const { kind, cut, before, after } of jointsOf(here)) {
		const leap = compare(after, before);
		if (kind !== 'step' || leap === 0 || grows === 0 || leap > 0 === grows > 0) continue;
		const goes = grows > 0 ? 'grows' : 'shrinks';
		const sentence = `At ${printWidth(cut.at)} it ${leap > 0 ? 'leaps up' : 'falls'} from ${px(toNumber(before))} to ${px(toNumber(after))}, though it ${goes} over all.`;
		notes.push({ kind: 'against', sentence, widths: null });
	}
	return notes;
}

/** Values relative to the inherited size: `0.6em`, `80%`. */
const shareIn = (value: string): number | undefined => {
	const [, number, unit] = /^\s*([\d.]+)(em|%)\s*$/i.exec(value) ?? [];
	return number === undefined ? undefined : Number(number) / (unit === '%' ? 100 : 1);
};

/** A relative size within a relative one, such as a half of a half; undefined otherwise. */
export function nestedNote(own: readonly Source[], around: readonly Source[]): TypeNote | undefined {
	const [inner, outer] = [own, around].map(
		(sources) => sources.find(({ up, value }) => up === 0 && shareIn(value) !== undefined)?.value
	);
	const [a, b] = [shareIn(inner ?? ''), shareIn(outer ?? '')];
	if (a === undefined || b === undefined || a === 1 || b === 1) return undefined;
	const product = Number((a * b).toFixed(4));
	const sentence = `${inner ?? ''} of ${outer ?? ''} around it: ${product} of the size beyond.`;
	return { kind: 'nested', sentence, widths: null };
}

/**
 * The part of a size that does not follow the text size set in the browser: `larger` is the size with that text size
 * multiplied.
 */
export function deafNote(curve: Curve, larger: Curve, times: number): TypeNote | undefined {
	const wanted = scaledBy(curve, rational(Math.round(times * 100), 100));
	const short = whereLess(larger, wanted);
	if (isEmpty(short)) return undefined;
	const still = widthsWhere(sumOf(larger, scaledBy(curve, rational(-1))), (of) => of === 0);
	const sentence = isEmpty(still)
		? `It follows a larger text size in the browser in part only, ${printIntervalSet(short)}.`
		: `It does not follow a larger text size in the browser, ${printIntervalSet(still)}.`;
	return { kind: 'deaf', sentence, widths: short };
}

/** A level of the page's hierarchy, by its name, with its size. */
export interface Level {
	readonly name: string;
	readonly curve: Curve;
}

/** Where a level is not so many times as large as the next; levels are given from the largest. */
export function hierarchyNotes(levels: readonly Level[], least: number): TypeNote[] {
	return levels.slice(1).flatMap((lower, i): TypeNote[] => {
		const upper = levels[i];
		if (!upper) return [];
		const overtaken = whereLess(upper.curve, lower.curve);
		const short = whereLess(upper.curve, scaledBy(lower.curve, rational(Math.round(least * 1000), 1000)));
		if (!isEmpty(overtaken)) {
			const sentence = `${lower.name} is larger than ${upper.name}, ${printIntervalSet(overtaken)}.`;
			return [{ kind: 'crosses', sentence, widths: overtaken }];
		}
		if (isEmpty(short)) return [];
		const sentence = `${upper.name} is less than ${least} times as large as ${lower.name}, ${printIntervalSet(short)}.`;
		return [{ kind: 'crosses', sentence, widths: short }];
	});
}

/** The ratio of a size to another over widths. */
export interface Ratio {
	/** The ratio where it is the same everywhere; null where it is not. */
	readonly flat: number | null;
	readonly least: number;
	readonly most: number;
	/** Where it differs from that at the narrow end. */
	readonly widths: IntervalSet;
}

/** The ratio of two sizes over the same widths, exact; undefined where the second is 0 somewhere. */
export function ratioOf(size: Curve, of: Curve): Ratio | undefined {
	if (widthsWhere(of, (s) => s <= 0).cuts.length > 0) return undefined;
	// On lines the ratio is monotonic, so its extremes are at the ends of pieces.
	const ratios = size.flatMap(({ from, to, line: a }) =>
		within(of, { from, to }).flatMap((piece) =>
			[piece.from, piece.to].map(({ at }) => divide(valueAt(a, at), valueAt(piece.line, at)))
		)
	);
	const [first] = ratios;
	if (!first) return undefined;
	const widths = widthsWhere(sumOf(size, scaledBy(of, multiply(first, rational(-1)))), (of) => of !== 0);
	const numbers = ratios.map(toNumber);
	return {
		flat: isEmpty(widths) ? toNumber(first) : null,
		least: Math.min(...numbers),
		most: Math.max(...numbers),
		widths
	};
}
