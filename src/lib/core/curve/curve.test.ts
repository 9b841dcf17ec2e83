import fc from 'fast-check';
import { expect, it } from 'vitest';
import {
	changesBetween,
	type Change,
	nextWidths,
	piecesOf,
	printValue,
	valueOf,
	type Value
} from './index.ts';

const [FROM, TO, TOLERANCE] = [240, 2560, 3 / 64];

/** Reads a value at few widths, until every change stands between two px. */
function read(value: (width: number) => Value, step = 64): Map<number, Value> {
	const known = new Map<number, Value>();
	const grid = Array.from({ length: Math.floor((TO - FROM) / step) + 1 }, (_, i) => FROM + i * step);
	let next = [...grid, TO];
	for (let round = 0; next.length > 0; round++) {
		if (round > 40) throw new Error('It never ends.');
		for (const width of next) known.set(width, value(width));
		next = nextWidths(piecesOf(known, TOLERANCE));
	}
	return known;
}

const changes = (known: ReadonlyMap<number, Value>) => changesBetween(piecesOf(known, TOLERANCE), TOLERANCE);
/** As layout rounds lengths. */
const rounded = (px: number): number => Math.floor(px * 64) / 64;

it('reads the numbers of a value, and prints them again', () => {
	expect(valueOf('12.5px repeat(2, 1fr) #fa3 h1 -0.25em').numbers).toEqual([12.5, 2, 1, -0.25]);
	expect(printValue(valueOf('200.12345px 0px #00f000'))).toBe('200.12px 0px #00f000');
	expect(valueOf('auto')).toEqual({ words: 'auto', numbers: [] });
});

it('finds both knees of a clamp() with their fractions, from few widths', () => {
	const known = read((width) =>
		valueOf(`${Math.min(44, Math.max(28, 0.9 * 16 + 0.025 * width)).toFixed(4)}px`)
	);
	const found = changes(known);
	expect(found.map(({ kind, at }) => [kind, Math.round(at * 10) / 10])).toEqual([
		['knee', 544],
		['knee', 1184]
	]);
	expect(found.map(({ slopes }) => slopes.map((slope) => slope.toFixed(3)))).toEqual([
		['0.000', '0.025'],
		['0.025', '0.000']
	]);
	expect(known.size).toBeLessThan(100);
});

it('tells a step from a knee, words from numbers, and follows every number of a value', () => {
	const known = read((width) =>
		width < 700
			? valueOf('none')
			: valueOf(`${rounded(width / 2)}px ${width < 1000 ? 200 : rounded(200 + (width - 1000) / 4)}px`)
	);
	expect(changes(known).map(({ kind, before, after }) => [kind, before, after])).toMatchObject([
		['words', 699, 700],
		['knee', expect.any(Number), expect.any(Number)]
	]);
	expect(changes(known)[1]?.at).toBeCloseTo(1000, 0);
	const two = [0, 24, 56];
	const leaps = read((width) =>
		valueOf(`${rounded(width / 2) - (two[width - 809] ?? (width < 809 ? 0 : 56))}px`)
	);
	expect(changes(leaps).map(({ kind, before, after }) => [kind, before, after])).toEqual([
		['step', 809, 810],
		['step', 810, 811]
	]);
});

/** Straight lines between some widths, going on or leaping there. */
const curves = (leaps: readonly number[]) =>
	fc
		.array(
			fc.record({
				at: fc.integer({ min: 300, max: 2500 }),
				slope: fc.integer({ min: -8, max: 8 }).map((eighths) => eighths / 8),
				leap: fc.constantFrom(0, 0, ...leaps)
			}),
			{ maxLength: 5 }
		)
		.map((all) => {
			const parts = all
				.sort((a, b) => a.at - b.at)
				// Parts shorter than what a grid is sure to see are not asked for.
				.filter(({ at }, i) => at - (all[i - 1]?.at ?? -Infinity) > 140);
			const value = (width: number): number => {
				let [y, slope, from] = [100, 0, FROM];
				for (const part of parts.filter(({ at }) => at <= width)) {
					y += slope * (part.at - from) + part.leap;
					[slope, from] = [part.slope, part.at];
				}
				return y + slope * (width - from);
			};
			let slope = 0;
			const own = parts.flatMap((part) => {
				const kind = part.leap !== 0 ? 'step' : part.slope !== slope ? 'knee' : null;
				slope = part.slope;
				return kind ? [{ kind, at: part.at }] : [];
			});
			return { value, changes: own };
		});

function expectAll(
	found: readonly Change[],
	expected: readonly { readonly kind: string; readonly at: number }[]
) {
	expect(found.map(({ kind }) => kind)).toEqual(expected.map(({ kind }) => kind));
	found.forEach(({ kind, at, before, after }, i) => {
		const place = expected[i]?.at ?? NaN;
		if (kind === 'step') expect([before, after]).toEqual([place - 1, place]);
		else expect(Math.abs(at - place)).toBeLessThan(1.5);
	});
}

it('has every leap to the px and every bend to about a px from few widths, of layout that rounds to 1/64 px', () => {
	// A leap that the slope takes back within the grid can be missed: these cannot be.
	fc.assert(
		fc.property(curves([-200, 250]), ({ value, changes: expected }) =>
			expectAll(changes(read((width) => valueOf(`${rounded(value(width))}px`))), expected)
		),
		{ numRuns: 300 }
	);
});

it('misses none at every width', () => {
	fc.assert(
		fc.property(curves([-40, 3, 90]), ({ value, changes: expected }) =>
			expectAll(changes(read((width) => valueOf(`${rounded(value(width))}px`), 1)), expected)
		),
		{ numRuns: 60 }
	);
});
