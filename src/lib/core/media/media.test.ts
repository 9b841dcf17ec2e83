import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Habits } from '../css/index.ts';
import {
	contains,
	printInterval,
	printIntervalSet,
	rational,
	rationalFromNumber,
	type Interval
} from '../interval/index.ts';
import { PLAIN, SHIPPED, type Vantage } from '../vantage/index.ts';
import {
	bandAt,
	bandLetter,
	bandsOf,
	evaluate,
	heightThresholds,
	jump,
	lengthContext,
	parseMediaQueryList,
	solve,
	solverOf,
	toleratedPx,
	wholePixels,
	writeCondition,
	type MediaSite
} from './index.ts';

const solved = (query: string, vantage: Vantage = PLAIN): string =>
	printIntervalSet(solve(parseMediaQueryList(query), vantage));
const handset = SHIPPED[1] as Vantage;

describe('solve', () => {
	it.each([
		['', 'every width'],
		['all', 'every width'],
		['print', 'no width'],
		['tty, (width > 1px)', '>1'],
		['(width < 700px)', '<700'],
		['(width >= 700px)', '≥700'],
		['(400px <= width < 700px)', '400–<700'],
		['(700px > width >= 400px)', '400–<700'],
		['(max-width: 599px), (min-width: 600px)', '≤599, ≥600'],
		['not all and (min-width: 600px)', '<600'],
		['not ((max-width: 599px) or (min-width: 600px))', '599<–<600'],
		['(width = 37.5em)', '=600'],
		['(min-width: 40rem)', '≥640'],
		['(min-width: calc(40em - 1px))', '≥639'],
		['(min-width: calc((10em + 2 * 100px) / 2))', '≥180'],
		['(width > max(400px, 25em, 50vh))', '>400'],
		['(width <= min(400px, 25em))', '≤400'],
		['(width >= clamp(300px, 50vw, 700px))', '≥300'],
		['(width < 50vw)', 'no width'],
		['(orientation: portrait)', '≤800'],
		['(orientation: landscape)', '>800'],
		['(min-aspect-ratio: 16/10)', '≥1280'],
		['(aspect-ratio < 1)', '<800'],
		['(aspect-ratio > 1/0)', 'no width'],
		['(device-width >= 500px)', '≥500'],
		['(height >= 800px) and (width > 1px)', '>1'],
		['(height > 800px)', 'no width'],
		['(hover) and (pointer: fine) and (width > 3in)', '>288'],
		['(resolution >= 96dpi)', 'every width'],
		['(resolution < infinite)', 'every width'],
		['(-webkit-min-device-pixel-ratio: 1.5)', 'no width'],
		['(width)', 'every width'],
		['(monochrome)', 'no width'],
		['not (monochrome)', 'every width'],
		['(min-width: -1px)', 'every width'],
		['(max-width: -1px)', 'no width'],
		// Unknown is neither true nor false; at the end it counts as false.
		['(unheard: of)', 'no width'],
		['not (unheard: of)', 'no width'],
		['(unheard: of) or (width > 5px)', '>5'],
		['(unheard: of) and (width > 5px)', 'no width'],
		['not ((unheard: of) and (width > 5px))', '≤5'],
		['future(1) or (width > 5px)', '>5'],
		['(min-width: 5)', 'no width'],
		['(min-width > 5px)', 'no width'],
		// A query that does not parse is `not all`; the others of its list stand.
		['(width > 5px) and (height) or (grid), (width < 3px)', '<3'],
		['and, (width < 3px)', '<3'],
		['screen or (width > 5px)', 'no width'],
		['only screen and (width > 5px)', '>5'],
		['NOT SCREEN', 'no width'],
		['screen and(width > 5px)', 'no width']
	])('%s → %s', (query, widths) => {
		expect(solved(query)).toBe(widths);
	});

	it('goes by the rest of the vantage', () => {
		expect(solved('(orientation: portrait)', handset)).toBe('≤800');
		expect(solved('(hover: none) and (min-width: 20em)', { ...handset, defaultFontSize: 20 })).toBe('≥400');
		expect(solved('(resolution: 2.5dppx) or (width < 200px)', handset)).toBe('every width');
		expect(solved('print and (width > 1px)', { ...PLAIN, medium: 'print' })).toBe('>1');
	});

	const length = fc
		.tuple(fc.integer({ min: 0, max: 300000 }), fc.constantFrom('px', 'em', 'vw', 'vh', 'in'))
		.map(([n, unit]) => `${unit === 'px' ? n / 100 : n / 8000}${unit}`);
	const math = fc.oneof(
		length,
		fc.tuple(fc.constantFrom('min', 'max'), length, length).map(([name, a, b]) => `${name}(${a}, ${b})`),
		fc.tuple(length, fc.constantFrom('+', '-'), length).map(([a, sign, b]) => `calc(${a} ${sign} ${b})`),
		fc.tuple(length, length, length).map((three) => `clamp(${three.join(', ')})`),
		fc.tuple(length, length).map(([a, b]) => `calc(${a} - abs(${b} - 2 * 10vw))`)
	);
	const feature = fc.oneof(
		fc
			.tuple(fc.constantFrom('<', '<=', '=', '>', '>='), math)
			.map(([sign, value]) => `(width ${sign} ${value})`),
		fc.tuple(fc.constantFrom('min', 'max'), length).map(([end, value]) => `(${end}-width: ${value})`),
		fc
			.tuple(fc.constantFrom('<', '>='), fc.integer({ min: 1, max: 30 }), fc.integer({ min: 0, max: 20 }))
			.map(([sign, a, b]) => `(aspect-ratio ${sign} ${a}/${b})`),
		fc.constantFrom(
			'(orientation: portrait)',
			'(hover)',
			'(pointer: coarse)',
			'(nonsense: 1)',
			'(resolution > 2dppx)'
		)
	);
	const { condition } = fc.letrec<{ condition: string; inner: string }>((tie) => ({
		inner: fc.oneof(
			{ maxDepth: 3 },
			feature,
			tie('condition').map((text) => `(${text})`)
		),
		condition: fc.oneof(
			feature,
			tie('inner').map((text) => `not ${text}`),
			fc
				.tuple(fc.constantFrom('and', 'or'), fc.array(tie('inner'), { minLength: 2, maxLength: 3 }))
				.map(([word, parts]) => parts.join(` ${word} `))
		)
	}));

	it('agrees with evaluation at single widths', () => {
		const width = fc.integer({ min: 1, max: 300000 }).map((n) => n / 100);
		fc.assert(
			fc.property(
				condition,
				fc.constantFrom(...SHIPPED),
				fc.array(width, { minLength: 5, maxLength: 5 }),
				(query, vantage, widths) => {
					const list = parseMediaQueryList(query);
					expect(list.some(({ invalid }) => invalid)).toBe(false);
					const set = solve(list, vantage);
					for (const at of widths) {
						expect(contains(set, rationalFromNumber(at)), `${query} at ${at}`).toBe(
							evaluate(list, { ...vantage, width: at })
						);
					}
				}
			),
			{ numRuns: 1500 }
		);
	});
});

describe('bands', () => {
	const site = (text: string, within: readonly MediaSite[] = []): MediaSite => ({
		file: 'a.css',
		span: { start: 0, end: 0 },
		text,
		queries: parseMediaQueryList(text),
		within
	});

	it('keep the stretch between 599 and 600, and the side of each threshold', () => {
		const { bands, thresholds } = bandsOf(
			[site('(max-width: 599px)'), site('(min-width: 600px)')],
			solverOf(PLAIN)
		);
		expect(bands.map(({ letter, interval }) => letter + printInterval(interval))).toEqual([
			'A≤599',
			'B599<–<600',
			'C≥600'
		]);
		expect(thresholds.map(({ cut }) => cut.after)).toEqual([true, false]);
		expect(wholePixels((bands[1] as (typeof bands)[0]).interval, [240, 2560])).toBeNull();
	});

	it('leave none between <700 and >=700', () => {
		expect(
			bandsOf([site('(width < 700px)'), site('(width >= 700px)')], solverOf(PLAIN)).thresholds
		).toHaveLength(1);
	});

	it('count only what the conditions around let through', () => {
		const outer = site('(min-width: 700px)');
		const { thresholds } = bandsOf(
			[outer, site('(min-width: 400px)', [outer]), site('(width < 900px)', [outer])],
			solverOf(PLAIN)
		);
		expect(thresholds.map(({ causes }) => causes.map(({ text }) => text))).toEqual([
			['(min-width: 700px)'],
			['(width < 900px)']
		]);
	});

	it('of height are told at a width, with everything that causes them', () => {
		const outer = site('(width >= 900px)');
		const found = heightThresholds(
			[
				...['(min-height: 480px)', '(height < 480px)', '(orientation: portrait)', '(max-aspect-ratio: 2/1)'],
				...['(600px < height < 700.5px)', '(width > max(10px, 200vh))', '(height: 333px)'],
				...['(min-width: 500px) and (max-height: 30em)', 'not all and (height > 0px)']
			]
				.map((text) => site(text))
				.concat(site('(height > 100px)', [outer]), site('(height > 200px)', [site('(width < 900px)')])),
			{ ...PLAIN, width: 812, height: 5 }
		);
		expect(found.map(({ height, causes }) => [height, causes.map(({ text }) => text)])).toEqual([
			[200, ['(height > 200px)']],
			[406, ['(max-aspect-ratio: 2/1)', '(width > max(10px, 200vh))']],
			[480, ['(min-height: 480px)', '(height < 480px)', '(min-width: 500px) and (max-height: 30em)']],
			[600, ['(600px < height < 700.5px)']],
			[700.5, ['(600px < height < 700.5px)']],
			[812, ['(orientation: portrait)']]
		]);
	});

	it('are jumped through by first pixels, past those without one', () => {
		const { bands } = bandsOf(
			['(max-width: 599px)', '(min-width: 600px)', '(width > 999.98px)'].map((text) => site(text)),
			solverOf(PLAIN)
		);
		const range = [240, 2560] as const;
		expect(jump(bands, 300, 1, range)).toBe(600);
		expect(jump(bands, 600, 1, range)).toBe(1000);
		expect(jump(bands, 1000, 1, range)).toBe(1000);
		expect(jump(bands, 1000, -1, range)).toBe(600);
		expect(jump(bands, 700, -1, range)).toBe(600);
		expect(jump(bands, 300, -1, range)).toBe(240);
		expect(bandAt(bands, 599.5).letter).toBe('B');
	});

	it('are lettered A to Z, AA, AB', () => {
		expect([0, 25, 26, 27, 52].map(bandLetter)).toEqual(['A', 'Z', 'AA', 'AB', 'BA']);
	});
});

describe('a condition written for an interval', () => {
	const of = (lo: number, loClosed: boolean, hi: number | null, hiClosed: boolean): Interval => ({
		lo: rational(lo),
		loClosed,
		hi: hi === null ? null : rational(hi),
		hiClosed
	});
	const range: Habits = { query: 'range', unit: 'px', less: '0.02' };
	const prefix: Habits = { ...range, query: 'prefix' };

	it.each<[Interval, Habits, string | undefined]>([
		[of(700, true, null, false), range, '(width >= 700px)'],
		[of(0, false, 700, false), range, '(width < 700px)'],
		[of(700, true, 1000, false), range, '(700px <= width < 1000px)'],
		[of(599, false, 600, false), range, '(599px < width < 600px)'],
		[of(0, false, null, false), range, undefined],
		[of(700, true, null, false), prefix, '(min-width: 700px)'],
		[of(700, true, 1000, false), prefix, '(min-width: 700px) and (max-width: 999.98px)'],
		[of(0, false, 599, true), { ...prefix, less: '1' }, '(max-width: 599px)'],
		[
			of(640, true, 1000, false),
			{ ...prefix, unit: 'em', less: '0.01' },
			'(min-width: 40em) and (max-width: 62.5em)'
		],
		[of(599, false, null, false), prefix, undefined]
	])('%#', (interval, habits, text) => {
		expect(writeCondition(interval, habits, rational(16))).toBe(text);
	});

	it('in range syntax, holds over that interval and nowhere else', () => {
		const ends = fc.tuple(
			fc.integer({ min: 1, max: 3000 }),
			fc.integer({ min: 1, max: 3000 }),
			fc.boolean(),
			fc.boolean()
		);
		fc.assert(
			fc.property(ends, ([a, b, loClosed, hiClosed]) => {
				const interval = of(Math.min(a, b), loClosed, Math.max(a, b) + 1, hiClosed);
				const text = writeCondition(interval, range, rational(16)) ?? '';
				expect(printIntervalSet(solve(parseMediaQueryList(text), PLAIN))).toBe(printInterval(interval));
			})
		);
	});
});

it.each([
	['(max-width: 639.99px)', 640, 'under'],
	['(min-width: 640.01px)', 640, 'from'],
	['(width <= 39.9995em)', 640, 'under'],
	['not (min-width: 640.01px)', 640, 'from'],
	['(max-width: 639.98px)', null, null],
	['(width < 640.01px)', null, null],
	['(max-width: 640px)', null, null]
])('%s: engines take lengths within 1/64 px for equal', (text, px, side) => {
	const span = { start: 0, end: text.length };
	const site = { file: 'a.css', span, text, queries: parseMediaQueryList(text), within: [] };
	const [threshold] = bandsOf([site], solverOf(PLAIN)).thresholds;
	if (!threshold) throw new Error('There is no threshold.');
	expect(toleratedPx(threshold, lengthContext(PLAIN))).toEqual(px === null ? null : { px, side });
});

it.each([
	'(min-width: 37.5em) and (max-width: calc(100vh + 10px)), print',
	'not all and (orientation: portrait)',
	'(300px < width <= 40rem) or (hover: none)',
	'(min-resolution: 1.5dppx) and (aspect-ratio > 4/3)'
])('%s is plain data, which means the same after it was cloned', (text) => {
	const list = parseMediaQueryList(text);
	const cloned = structuredClone(list);
	expect(cloned).toEqual(list);
	for (const vantage of [PLAIN, ...SHIPPED]) expect(solve(cloned, vantage)).toEqual(solve(list, vantage));
});
