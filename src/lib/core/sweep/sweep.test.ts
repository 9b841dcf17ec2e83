import fc from 'fast-check';
import { expect, it } from 'vitest';
import { printIntervalSet, rationalFromDecimal, rationalFromNumber, type Cut } from '../interval/index.ts';
import {
	coverage,
	firstWidths,
	foundIn,
	halfWidths,
	nextWidths,
	remainingWidths,
	unmeasured,
	type ReadingsByWidth,
	type Readings
} from './index.ts';

/** A page as a function of its width. */
type Layout = (width: number) => Readings;

const STRETCH = { from: 240, to: 2560 };
const STEP = 32;

const cut = (at: string, after = false): Cut => ({
	at: rationalFromDecimal(at) ?? rationalFromNumber(NaN),
	after
});

/** A quick sweep, and how many widths it measured. */
function quick(layout: Layout, cuts: readonly Cut[]): Map<number, Readings> {
	const known = new Map<number, Readings>();
	let next = firstWidths(STRETCH, cuts, STEP);
	for (let round = 0; next.length > 0; round++) {
		if (round > 40) throw new Error('It never ends.');
		for (const width of next) known.set(width, layout(width));
		next = nextWidths(known);
	}
	return known;
}

function whole(layout: Layout, known: ReadingsByWidth = new Map()): Map<number, Readings> {
	const all = new Map(known);
	for (let next; (next = remainingWidths(all, STRETCH, 800)).length > 0;)
		for (const width of next) all.set(width, layout(width));
	return all;
}

const inWords = (known: ReadingsByWidth, cuts: readonly Cut[] = []): string[] =>
	foundIn(known, cuts).map(({ key, widths, exact }) => `${key} ${printIntervalSet(widths)} ${exact}`);

it('begins with both sides of every cut, bands narrower than a px, a grid and the ends', () => {
	const cuts = [cut('599', true), cut('600'), cut('700'), cut('999.98', true), cut('1000')];
	const widths = firstWidths({ from: 240, to: 1100 }, cuts, 400);
	expect(widths).toEqual([240, 599, 599.5, 600, 640, 699, 700, 999, 1000, 1040, 1100]);
});

it('finds where a line crosses its limit with the widths beside it alone', () => {
	const layout: Layout = (width) => new Map([['wide', 812.4 - width]]);
	const known = quick(layout, []);
	expect(inWords(known)).toEqual(['wide 240–812 true']);
	expect(known.size - firstWidths(STRETCH, [], STEP).length).toBeLessThanOrEqual(2);
	expect(foundIn(known, [])).toMatchObject([{ worst: 240, by: 812.4 - 240 }]);
});

it('ends where a condition does, open or closed as that is, between px too', () => {
	const cuts = [cut('599', true), cut('600'), cut('1000')];
	const layout: Layout = (width) =>
		new Map([
			['gap', width > 599 && width < 600 ? 1 : -1],
			['band', width >= 600 && width < 1000 ? 3 : -1]
		]);
	expect(inWords(quick(layout, cuts), cuts).sort()).toEqual(['band 600–<1000 true', 'gap 599<–<600 true']);
});

it('says where an end is not measured', () => {
	const known = new Map([240, 500, 900].map((width) => [width, new Map([['x', width - 400]])]));
	expect(inWords(known)).toEqual(['x 500–900 false']);
	expect(coverage(known, { from: 240, to: 900 })).toEqual({ measured: 3, of: 661, unseen: 399 });
});

it('looks half-way between the last px that has it and the first that has not, once all whole ones are known', () => {
	const layout: Layout = (width) =>
		new Map([
			['far', 812.6 - width],
			['near', 612.4 - width]
		]);
	const known = whole(layout);
	const halves = halfWidths(known, []);
	expect(halves).toEqual([612.5, 812.5]);
	for (const width of halves) known.set(width, layout(width));
	expect(inWords(known)).toEqual(['far 240–812.5 true', 'near 240–612 true']);
	expect(halfWidths(known, [])).toEqual([]);
	// Where a condition changes between the two, that is the end.
	expect(halfWidths(whole(layout), [cut('812.5'), cut('612', true)])).toEqual([]);
});

it('names the runs that are not measured, in which something narrower may be', () => {
	const known = new Map([240, 243, 250].map((width) => [width, new Map()]));
	expect(unmeasured(known, { from: 240, to: 251 })).toEqual([
		{ from: 241, to: 242 },
		{ from: 244, to: 249 },
		{ from: 251, to: 251 }
	]);
});

it('finds where a state changes away from every cut, to the px', () => {
	const cuts = [cut('600')];
	const layout: Layout = (width) =>
		new Map([
			['row', width < 450 ? '1 in a row' : width < 600 ? '2 in a row' : width < 731 ? '3 in a row' : 'all']
		]);
	expect(inWords(quick(layout, cuts), cuts)).toEqual(['row 449–450, 730–731 true']);
	expect(foundIn(quick(layout, cuts), cuts)[0]?.turns).toEqual([
		{ before: 449, after: 450, from: '1 in a row', to: '2 in a row' },
		{ before: 730, after: 731, from: '3 in a row', to: 'all' }
	]);
});

/** Pages whose distances are straight lines between cuts and knees, and steps at the cuts. */
const LAYOUTS = fc
	.array(
		fc.record({
			at: fc.integer({ min: 260, max: 2540 }),
			isCut: fc.boolean(),
			from: fc.integer({ min: -300, max: 300 }),
			to: fc.integer({ min: -300, max: 300 })
		}),
		{ maxLength: 6 }
	)
	.map((all) => {
		const pieces = [...new Map(all.map((one) => [one.at, one])).values()].sort((a, b) => a.at - b.at);
		const ends = [240, ...pieces.map(({ at }) => at), 2561];
		const layout: Layout = (width) => {
			const i = ends.findLastIndex((end) => end <= width);
			const [begin, end] = [ends[i] ?? 240, ends[i + 1] ?? 2561];
			const piece = pieces[i - 1] ?? { from: -100, to: 50 };
			return new Map([['x', piece.from + ((piece.to - piece.from) * (width - begin)) / (end - begin)]]);
		};
		return { layout, cuts: pieces.map(({ at }) => cut(String(at))) };
	});

const runs = (known: ReadingsByWidth): [number, number][] => {
	const found: [number, number][] = [];
	for (let width = STRETCH.from; width <= STRETCH.to; width++) {
		if (Number(known.get(width)?.get('x') ?? 0) <= 0) continue;
		const last = found.at(-1);
		if (last?.[1] === width - 1) last[1] = width;
		else found.push([width, width]);
	}
	return found;
};

it('quick: everything wider than the grid has its true edges, with few more widths than the grid', () => {
	fc.assert(
		fc.property(LAYOUTS, ({ layout, cuts }) => {
			const known = quick(layout, cuts);
			const all = whole(layout);
			const edges = runs(all).length * 2;
			expect(known.size - firstWidths(STRETCH, cuts, STEP).length).toBeLessThanOrEqual(3 * 2 * edges);
			for (const [from, to] of runs(all)) {
				if (to - from <= STEP) continue;
				for (const width of [from - 1, from, to, to + 1])
					if (width >= STRETCH.from && width <= STRETCH.to)
						expect([width, known.has(width)]).toEqual([width, true]);
			}
			// With the lines straight between cuts, nothing at all is missed.
			expect(inWords(known, cuts)).toEqual(inWords(all, cuts));
		})
	);
});

it('whole: finds every spike, however narrow; quick says how long a stretch it has not looked at', () => {
	fc.assert(
		fc.property(
			fc.array(fc.tuple(fc.integer({ min: 240, max: 2560 }), fc.integer({ min: 1, max: 3 })), {
				maxLength: 5
			}),
			(spikes) => {
				const layout: Layout = (width) =>
					new Map([['x', spikes.some(([at, long]) => at <= width && width < at + long) ? 2 : -5]]);
				const first = quick(layout, []);
				const { unseen } = coverage(first, STRETCH);
				expect(unseen).toBeLessThan(STEP);
				const all = whole(layout, first);
				expect(coverage(all, STRETCH)).toEqual({ measured: 2321, of: 2321, unseen: 0 });
				const wrong = spikes.flatMap(([at, long]) =>
					Array.from({ length: long }, (_, i) => at + i).filter((width) => width <= 2560)
				);
				expect(
					runs(all).flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, i) => from + i))
				).toEqual([...new Set(wrong)].sort((a, b) => a - b));
			}
		),
		{ numRuns: 30 }
	);
});
