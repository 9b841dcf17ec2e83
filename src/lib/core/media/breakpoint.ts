import { T, textOf, tokensOf } from '../css/tokens.ts';
import {
	add,
	compare,
	divide,
	multiply,
	printRational,
	rationalFromDecimal,
	rational,
	sign,
	subtract,
	toNumber,
	type Rational
} from '../interval/index.ts';
import { applyChanges, type Change } from '../text/index.ts';
import type { Threshold } from './bands.ts';
import type { Operator } from './feature.ts';
import { parseMediaQueryList } from './parse.ts';
import type { Condition } from './query.ts';

/** A width in a query with which the viewport's is compared, as written. */
interface Compared {
	/** Its place in the query's text. */
	readonly start: number;
	readonly end: number;
	/** CSS px. */
	readonly px: Rational;
	readonly unit: string;
	/** Whether the condition holds from it up, up to it, or only at it. */
	readonly side: 'from' | 'to' | 'at';
	/** Whether it holds at the width itself. */
	readonly closed: boolean;
	/** The feature that contains it, with parentheses, and whether that compares with nothing else. */
	readonly feature: { readonly start: number; readonly end: number };
	readonly alone: boolean;
}

const SIDES: Readonly<Record<Operator, Compared['side']>> = {
	'<': 'to',
	'<=': 'to',
	'=': 'at',
	'>=': 'from',
	'>': 'from'
};

function featuresOf(condition: Condition | null): (Condition & { kind: 'feature' })[] {
	switch (condition?.kind) {
		case 'not':
			return featuresOf(condition.of);
		case 'and':
		case 'or':
			return condition.of.flatMap(featuresOf);
		case 'feature':
			return [condition];
		default:
			return [];
	}
}

/** The widths in a list of media queries that are plain lengths in px, em or rem; calculated ones are left out. */
function comparedIn(text: string, em: Rational): Compared[] {
	return parseMediaQueryList(text)
		.flatMap(({ condition }) => featuresOf(condition))
		.filter(({ feature }) => feature === 'width')
		.flatMap(({ comparisons, span }): Compared[] => {
			const inner = text.slice(span.start, span.end);
			const tokens = tokensOf(inner);
			const all = Array.from({ length: tokens.count }, (_, i) => i);
			const lengths = all.filter((i) => tokens.types[i] === T.Dimension);
			const isPlain =
				all.every((i) => tokens.types[i] !== T.Function) && lengths.length === comparisons.length;
			if (!isPlain) return [];
			return lengths.flatMap((i, n) => {
				const [, number = '', unit = ''] = /^(.*?\d)([a-z]+)$/i.exec(textOf(tokens, i)) ?? [];
				const value = rationalFromDecimal(number);
				const operator = comparisons[n]?.operator;
				if (!value || !operator || !/^(px|r?em)$/i.test(unit)) return [];
				const start = span.start + (tokens.starts[i] as number);
				return [
					{
						start,
						end: start + textOf(tokens, i).length,
						px: unit.toLowerCase() === 'px' ? value : multiply(value, em),
						unit,
						side: SIDES[operator],
						closed: operator.includes('='),
						feature: span,
						alone: comparisons.length === 1
					}
				];
			});
		});
}

const ONE_PIXEL = rational(1);

/** How far a width is off a breakpoint as its other half may be: at most a px, below an end or above a beginning. */
function offset({ px, side }: Compared, from: Rational): Rational | undefined {
	const off = subtract(px, from);
	const wrongSide = side === 'at' ? sign(off) !== 0 : side === 'to' ? sign(off) > 0 : sign(off) < 0;
	const far = compare(sign(off) < 0 ? subtract(from, px) : off, ONE_PIXEL) > 0;
	return wrongSide || far ? undefined : off;
}

/** A width that is a breakpoint or its other half, and how far off the breakpoint it is. */
export interface Half extends Compared {
	readonly off: Rational;
}

/**
 * The widths in lists of media queries that are a breakpoint or its other half (`699px`, `699.98px` and `43.7488em`
 * for 700 px; where nothing begins at 700 itself, `701px` for `max-width: 700px`), by list. `em` is the px of one em
 * in a query.
 */
export function halvesOf(queries: readonly string[], at: Rational, em: Rational): Half[][] {
	const all = queries.map((text) =>
		comparedIn(text, em).flatMap((one) => {
			const off = offset(one, at);
			return off ? [{ ...one, off }] : [];
		})
	);
	const begins = all.some((list) => list.some(({ side, off }) => side === 'from' && sign(off) === 0));
	return all.map((list) => list.filter(({ side, off }) => !(side === 'from' && sign(off) > 0 && begins)));
}

/**
 * Moves a breakpoint in lists of media queries, each given as text: all its halves keep their distance from it and
 * their unit. Returns the changes of each text. `em` is the px of one em in a query.
 */
export const moveBreakpoint = (
	queries: readonly string[],
	from: Rational,
	to: Rational,
	em: Rational
): Change[][] =>
	halvesOf(queries, from, em).map((list) =>
		list.map(({ start, end, off, unit }) => {
			const px = add(to, off);
			const value = unit.toLowerCase() === 'px' ? px : divide(px, em);
			return { start, end, text: `${printRational(value).replace('≈', '')}${unit}` };
		})
	);

/**
 * Splits a list of media queries that begins or ends at a band's own ends at a width within the band: the list's new
 * text, and that of a copy to come after it. A list that begins at `lo` and goes on stays as it is, and its copy
 * begins at the width; one that only ends at `hi` stays too, and its copy ends there; one that does both is split in
 * two. Null where it does neither, or cannot be split.
 */
export function splitQueries(
	text: string,
	{ lo, hi }: { readonly lo: Rational | null; readonly hi: Rational | null },
	at: Rational,
	em: Rational
): { readonly own: string; readonly copy: string } | null {
	const moved = (end: Rational | null, side: Compared['side']): string | null => {
		const [halves = []] = end ? halvesOf([text], end, em) : [];
		if (!end || !halves.some((one) => one.side === side)) return null;
		const [changes = []] = moveBreakpoint([text], end, at, em);
		return applyChanges(text, changes);
	};
	if (/\bnot\b/i.test(text)) return null;
	const [begins, ends] = [moved(lo, 'from'), moved(hi, 'to')];
	if (begins !== null) return { own: ends ?? text, copy: begins };
	return ends === null ? null : { own: text, copy: ends };
}

/** Brings breakpoints together at one width, each with its other half; returns the changes of each text. */
export function gatherBreakpoints(
	queries: readonly string[],
	froms: readonly Rational[],
	to: Rational,
	em: Rational
): Change[][] {
	const all: Change[][] = queries.map(() => []);
	for (const from of froms) {
		if (compare(from, to) === 0) continue;
		moveBreakpoint(queries, from, to, em).forEach((changes, i) => {
			const known = all[i] ?? [];
			known.push(...changes.filter(({ start }) => !known.some((one) => one.start === start)));
		});
	}
	return all.map((changes) => changes.sort((a, b) => a.start - b.start));
}

/** The breakpoint of a threshold: of two halves (599 and 600) the one from which the wider side holds. */
export function breakpointOf({ cut }: Threshold, all: readonly Threshold[]): Rational {
	const half = all.find(
		(one) =>
			!one.cut.after && compare(one.cut.at, cut.at) > 0 && compare(one.cut.at, add(cut.at, ONE_PIXEL)) <= 0
	);
	return cut.after && half ? half.cut.at : cut.at;
}

/** The breakpoints of thresholds, each once. */
export const breakpointsOf = (all: readonly Threshold[]): Rational[] => [
	...new Map(all.map((one) => breakpointOf(one, all)).map((at) => [printRational(at), at])).values()
];

/** How far apart breakpoints may be that are probably meant as one: px, and a fraction of the width. */
const [NEAR_PX, NEAR_PART] = [24, 0.04];

/** The other breakpoints of a page that are probably meant as the same one: so near that no layout needs both. */
export function nearBreakpoints(at: Rational, all: readonly Threshold[]): Rational[] {
	const here = toNumber(at);
	return breakpointsOf(all).filter((one) => {
		const off = Math.abs(toNumber(one) - here);
		return off > 0 && off <= Math.min(NEAR_PX, NEAR_PART * here);
	});
}

/** How far below a width a prefix query ends, so that no screen has a width in between, by unit. */
const LESS: Readonly<Record<string, Rational>> = {
	px: rational(2, 100),
	em: rational(1, 1000),
	rem: rational(1, 1000)
};

/**
 * Closes the gap between two halves of a breakpoint (neither `(max-width: 599px)` nor `(min-width: 600px)` holds at
 * 599.5): what ends at `from` then ends under `to`, as a range (`width < 600px`) or, with prefixes, just below it
 * (`max-width: 599.98px`). Also closes an overlap, where `from` is `to`. Returns the changes of each text.
 */
export function closeHalves(
	queries: readonly string[],
	from: Rational,
	to: Rational,
	em: Rational,
	style: 'range' | 'prefix'
): Change[][] {
	return queries.map((text) =>
		comparedIn(text, em).flatMap((one): Change[] => {
			if (one.side !== 'to' || !one.closed || compare(one.px, from) !== 0) return [];
			const unit = one.unit.toLowerCase();
			const inUnit = unit === 'px' ? to : divide(to, em);
			const written = (value: Rational): string => `${printRational(value).replace('≈', '')}${one.unit}`;
			const [range, space = ''] = /<=(\s*)$/.exec(text.slice(0, one.start)) ?? [];
			if (range !== undefined)
				return [{ start: one.start - range.length, end: one.end, text: `<${space}${written(inUnit)}` }];
			if (style === 'range' && one.alone) return [{ ...one.feature, text: `(width < ${written(inUnit)})` }];
			const less = LESS[unit] ?? rational(0);
			return [{ start: one.start, end: one.end, text: written(subtract(inUnit, less)) }];
		})
	);
}
