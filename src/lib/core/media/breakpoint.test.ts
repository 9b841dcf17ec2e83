import fc from 'fast-check';
import { expect, it } from 'vitest';
import {
	contains,
	equal,
	printRational,
	rationalFromDecimal,
	rationalFromNumber,
	type Rational
} from '../interval/index.ts';
import { applyChanges } from '../text/index.ts';
import { PLAIN } from '../vantage/index.ts';
import {
	breakpointOf,
	closeHalves,
	gatherBreakpoints,
	moveBreakpoint,
	nameBreakpoint,
	namesOf,
	nearBreakpoints,
	overlapsOf,
	parseMediaQueryList,
	solve,
	splitQueries,
	type MediaSite,
	type Threshold
} from './index.ts';

const EM = rationalFromNumber(16);
const px = (text: string): Rational => rationalFromDecimal(text) ?? rationalFromNumber(NaN);
const moved = (queries: readonly string[], from: string, to: string): string[] => {
	const changes = moveBreakpoint(queries, px(from), px(to), EM);
	return queries.map((text, i) => applyChanges(text, changes[i] ?? []));
};

it.each([
	['(min-width: 700px)', '(min-width: 720px)'],
	['(max-width: 699px)', '(max-width: 719px)'],
	['(max-width:699.98px)', '(max-width:719.98px)'],
	['screen and (width < 700px), print', 'screen and (width < 720px), print'],
	['(min-width: 43.75em) and (max-width: 60em)', '(min-width: 45em) and (max-width: 60em)'],
	['(max-width: 43.7488EM)', '(max-width: 44.9988EM)'],
	['(400px <= width <= 700px)', '(400px <= width <= 720px)'],
	['not ((width >= 700px) or (width = 700px))', 'not ((width >= 720px) or (width = 720px))'],
	// Neither another feature, nor what is more than a px off, nor what is calculated.
	['(min-height: 700px)', '(min-height: 700px)'],
	['(max-width: 698px)', '(max-width: 698px)'],
	['(max-width: 700.5px)', '(max-width: 700.5px)'],
	['(min-width: calc(700px))', '(min-width: calc(700px))'],
	['(min-width: 700px', '(min-width: 720px']
])('%s to 720', (query, result) => {
	expect(moved([query], '700', '720')).toEqual([result]);
});

it.each([
	['(min-width: 700px)', '(min-width: 700px)', '(min-width: 850px)'],
	[
		'screen and (max-width: 999.98px)',
		'screen and (max-width: 999.98px)',
		'screen and (max-width: 849.98px)'
	],
	['(700px <= width < 1000px)', '(700px <= width < 850px)', '(850px <= width < 1000px)'],
	[
		'(min-width: 43.75em) and (max-width: 999px)',
		'(min-width: 43.75em) and (max-width: 849px)',
		'(min-width: 53.125em) and (max-width: 999px)'
	],
	['(width >= 500px)', null, null],
	['not (width < 700px)', null, null]
])('the band 700–1000 is parted at 850: %s', (text, own, copy) => {
	const made = splitQueries(text, { lo: px('700'), hi: px('1000') }, px('850'), EM);
	expect(made).toEqual(own === null ? null : { own, copy });
	if (!made) return;
	// At whole pixels nothing changes; halves of a px under a breakpoint leave one between them, as before.
	const holds = (query: string, at: number): boolean =>
		contains(solve(parseMediaQueryList(query), PLAIN), rationalFromNumber(at));
	for (const at of [0, 699, 700, 849, 850, 999, 1000])
		expect([at, holds(made.own, at) || holds(made.copy, at)]).toEqual([at, holds(text, at)]);
});

it('takes 701 for the other half of 700 only where nothing begins at 700', () => {
	expect(moved(['(max-width: 700px)', '(min-width: 701px)'], '700', '640')).toEqual([
		'(max-width: 640px)',
		'(min-width: 641px)'
	]);
	expect(moved(['(min-width: 700px)', '(min-width: 701px)'], '700', '640')).toEqual([
		'(min-width: 640px)',
		'(min-width: 701px)'
	]);
});

it('leaves no gap and no overlap that was not there, and goes back the same way', () => {
	const half = fc.constantFrom(
		'(min-width: Npx)',
		'(width >= Npx)',
		'(width < Npx)',
		'(max-width: N-0.02px)',
		'(max-width: N-1px)',
		'(min-width: Nem)',
		'(max-width: N-0.02em)'
	);
	const put = (text: string, at: number): string =>
		text.replace(/N(-[\d.]+)?(px|em)/, (_, less: string | undefined, unit: string) => {
			const value = at + Number(less ?? 0);
			return `${unit === 'em' ? String(value / 16) : String(Number(value.toFixed(2)))}${unit}`;
		});
	fc.assert(
		fc.property(
			fc.array(half, { minLength: 1, maxLength: 5 }),
			fc.integer({ min: 200, max: 2000 }),
			fc.integer({ min: 200, max: 2000 }),
			(halves, from, to) => {
				const [was, is] = [from, to].map((at) => halves.map((one) => put(one, at))) as [string[], string[]];
				const there = moved(was, String(from), String(to));
				there.forEach((text, i) => {
					const widths = (query: string) => solve(parseMediaQueryList(query), PLAIN);
					expect(equal(widths(text), widths(is[i] ?? ''))).toBe(true);
				});
				expect(moved(there, String(to), String(from))).toEqual(moved(was, String(from), String(from)));
			}
		)
	);
});

it.each([
	['(max-width: 599px)', 'range', '(width < 600px)'],
	['(max-width: 599px)', 'prefix', '(max-width: 599.98px)'],
	['screen and (width <= 599px)', 'prefix', 'screen and (width < 600px)'],
	['(400px <= width <= 599px)', 'range', '(400px <= width < 600px)'],
	['(400px <= width <=599px)', 'prefix', '(400px <= width <600px)'],
	['(max-width: 37.4375em)', 'prefix', '(max-width: 37.499em)'],
	['(width < 599px)', 'range', '(width < 599px)'],
	['(min-width: 599px)', 'range', '(min-width: 599px)']
] as const)('%s closed up to 600 as %s', (query, style, result) => {
	const [changes = []] = closeHalves([query], px('599'), px('600'), EM, style);
	expect(applyChanges(query, changes)).toBe(result);
});

const threshold = (at: string, after: boolean, ...causes: MediaSite[]): Threshold => ({
	cut: { at: px(at), after },
	causes
});
const site = (text: string): MediaSite => ({
	file: 'a.css',
	span: { start: 0, end: 0 },
	text,
	queries: [],
	within: []
});

it('knows what may be meant as one breakpoint, and brings it together with its halves', () => {
	const all = ['600', '700', '720', '1000', '1400', '1450'].map((at) => threshold(at, false));
	const near = [...all, threshold('699.98', true), threshold('1020', true)];
	expect(nearBreakpoints(px('700'), near).map(printRational)).toEqual(['720']);
	expect(nearBreakpoints(px('1000'), near).map(printRational)).toEqual(['1020']);
	expect(nearBreakpoints(px('600'), near)).toEqual([]);
	expect(breakpointOf(threshold('699.98', true), near)).toEqual(px('700'));
	const queries = ['(min-width: 701px)', '(max-width: 719.98px) and (min-width: 700px)', '(width < 720px)'];
	const changes = gatherBreakpoints(queries, [px('701'), px('720'), px('700')], px('700'), EM);
	expect(queries.map((text, i) => applyChanges(text, changes[i] ?? []))).toEqual([
		'(min-width: 700px)',
		'(max-width: 699.98px) and (min-width: 700px)',
		'(width < 700px)'
	]);
});

it('finds where both halves hold, unless one condition asks for just that', () => {
	const [narrow, wide, just] = [
		site('(max-width: 700px)'),
		site('(min-width: 700px)'),
		site('(width: 900px)')
	];
	const thresholds = [
		threshold('700', false, wide),
		threshold('700', true, narrow),
		threshold('900', false, just),
		threshold('900', true, just)
	];
	expect(overlapsOf({ thresholds })).toEqual([px('700')]);
});

it('gives a breakpoint a name after each of its widths, another, and none', () => {
	const queries = [
		'(min-width: 700px) and (max-width: 999.98px)',
		'(max-width:699.98px)',
		'(min-width: 701px)',
		'print'
	];
	const name = (from: readonly string[], words: string): string[] => {
		const changes = nameBreakpoint(from, px('700'), words, EM);
		return from.map((text, i) => applyChanges(text, changes[i] ?? []));
	};
	const named = name(queries, 'quay */');
	expect(named).toEqual([
		'(min-width: 700px /* quay */) and (max-width: 999.98px)',
		'(max-width:699.98px /* quay */)',
		'(min-width: 701px)',
		'print'
	]);
	expect(namesOf(named, px('700'), EM)).toEqual(['quay']);
	expect(namesOf(named, px('1000'), EM)).toEqual([]);
	expect(name(named, 'pier')[1]).toBe('(max-width:699.98px /* pier */)');
	expect(name(named, 'quay')).toEqual(named);
	expect(name(named, '')).toEqual(queries);
	for (const [i, text] of named.entries())
		expect(
			equal(solve(parseMediaQueryList(text), PLAIN), solve(parseMediaQueryList(queries[i] ?? ''), PLAIN))
		).toBe(true);
});
