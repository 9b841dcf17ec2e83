import fc from 'fast-check';
import { expect, test } from 'vitest';
import { EVERYTHING, intervals } from '../core/interval/index.ts';
import type { Bands } from '../core/media/index.ts';
import { seenVantage, NO_SWITCHES, PLAIN } from '../core/vantage/index.ts';
import { flipsOf, type Flips } from './flips.ts';
import type { Layout, PageJob } from './layout.ts';
import type { InquiredPage } from './page.ts';

const [WHOLE] = intervals(EVERYTHING);
const BANDS = { thresholds: [], bands: [{ letter: 'A', interval: WHOLE }] } as unknown as Bands;
const page = {} as InquiredPage;
const vantage = seenVantage(PLAIN, NO_SWITCHES);

/** A layout in which one container's condition holds or not by turns, changing at some widths; it counts what it lays out. */
function layoutOf(flips: readonly number[]) {
	const laidOut: number[] = [];
	const holds = (width: number): boolean => flips.filter((at) => at <= width).length % 2 === 1;
	const layout = {
		async *askAt({ widths }: PageJob) {
			for (const width of widths) {
				laidOut.push(width);
				yield await Promise.resolve({ width, held: [[holds(width)]] });
			}
		}
	} as unknown as Layout;
	return { layout, laidOut, holds };
}

test('finds every flip in the end, to the px, and lays no width out twice', async () => {
	const places = fc.uniqueArray(fc.integer({ min: 241, max: 2560 }), { maxLength: 6 });
	await fc.assert(
		fc.asyncProperty(places, async (found) => {
			const flips = found.toSorted((a, b) => a - b);
			const { layout, laidOut, holds } = layoutOf(flips);
			let last: Flips | undefined;
			do last = await flipsOf(page, layout, [0], vantage, BANDS, ['(width > 1px)'], last);
			while (last.step > 1);
			expect(last.cuts).toEqual(flips);
			expect(new Set(laidOut).size).toBe(laidOut.length);
			for (let width = 240; width <= 2560; width += 7) expect(last.at(width)).toEqual([[holds(width)]]);
		}),
		{ numRuns: 12 }
	);
});

test('at first one alone in a stretch of the grid is found from few widths, and how fine it looked is said', async () => {
	const { layout, laidOut } = layoutOf([777]);
	const flips = await flipsOf(page, layout, [0], vantage, BANDS, ['(width > 1px)']);
	expect(flips.cuts).toEqual([777]);
	expect(flips.step).toBe(64);
	expect(laidOut.length).toBeLessThan(50);
});
