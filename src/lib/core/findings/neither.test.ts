import { expect, it } from 'vitest';
import { printInterval } from '../interval/index.ts';
import {
	bandsOf,
	parseMediaQueryList,
	solverOf,
	usualGap,
	type Bands,
	type MediaSite
} from '../media/index.ts';
import { PLAIN } from '../vantage/index.ts';
import { neitherHolds } from './index.ts';
import { meantGap } from './settings.ts';

const solve = solverOf(PLAIN);
const bandsFor = (...queries: string[]): Bands =>
	bandsOf(
		queries.map((text): MediaSite => {
			const span = { start: 0, end: text.length };
			return { file: 'a.css', span, text, queries: parseMediaQueryList(text), within: [] };
		}),
		solve
	);
const pair = (less: string, px: string): string[] => [`(max-width: ${less}px)`, `(min-width: ${px}px)`];
const told = (bands: Bands, meant: number): string[] =>
	neitherHolds(bands, ({ queries }) => solve(queries), meant).map(({ interval }) => printInterval(interval));

it.each([
	['a px less, again and again', [...pair('599', '600'), ...pair('899', '900')], 1],
	['a hundredth less', [...pair('599.98', '600'), ...pair('899.98', '900'), ...pair('1199', '1200')], 0.02],
	['one gap alone is no habit', pair('599', '600'), 0],
	[
		'ranges meet',
		['(width < 600px)', '(width >= 600px)', '(width < 900px)', '(width >= 900px)', ...pair('1199', '1200')],
		0
	],
	[
		'as often as not is no habit',
		[
			...pair('599', '600'),
			...pair('899', '900'),
			'(width < 1200px)',
			'(width >= 1200px)',
			'(width < 1400px)',
			'(width >= 1400px)'
		],
		0
	]
])('tells how far apart the halves of breakpoints usually are: %s', (_, queries, gap) => {
	expect(usualGap(bandsFor(...queries))).toBe(gap);
});

it('finds where neither half holds, but for gaps that are a habit, or that a site has set', () => {
	const bands = bandsFor(...pair('599.98', '600'), ...pair('899.98', '900'), ...pair('1199', '1200'));
	expect(told(bands, 0)).toEqual(['599.98<–<600', '899.98<–<900', '1199<–<1200']);
	expect(told(bands, meantGap([], bands))).toEqual(['1199<–<1200']);
	expect(told(bands, meantGap([{ kind: 'neither', on: true, limit: 1 }], bands))).toEqual([]);
	expect(told(bands, meantGap([{ kind: 'neither', on: true, limit: 0 }], bands))).toHaveLength(3);
});
