import { expect, test } from '../fixtures.ts';
import { atWork, boxIn, draftOf, foundOn, frameOf, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J05: a boat’s picture wider than its column stays inside, in its own ratio', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'boats.html', 'css/layout.css');
	/** By how much the picture passes the column that the row of cards has for it, px: others’ cards are as wide. */
	const spill = async (vantage: Beside) => {
		const [picture, card, row, other] = [
			await boxIn(page, vantage, '.boat'),
			await boxIn(page, vantage, '.card:has(.boat)'),
			await boxIn(page, vantage, '.cards'),
			await boxIn(page, vantage, '.card')
		];
		const column = Math.min(other?.width ?? NaN, row?.width ?? NaN);
		// A border of 1 px is as wide as whole px of the screen make it.
		const edge = await frameOf(page, vantage)
			.locator('.card:has(.boat)')
			.evaluate((one) => {
				const { paddingRight, borderRightWidth } = getComputedStyle(one);
				return parseFloat(paddingRight) + parseFloat(borderRightWidth);
			});
		return (picture?.right ?? NaN) + edge - ((card?.left ?? NaN) + column);
	};
	for (const vantage of ['Handset', 'Notebook'] as const)
		expect(await settled(page, () => spill(vantage))).toBeGreaterThan(10);
	await work.select('img.boat', 'img.boat');
	await work.collate('max-width', '100%');
	await work.collate('height', 'auto', { into: /^\.card \.boat in/ });
	for (const vantage of ['Handset', 'Slate', 'Notebook'] as const) {
		expect(await settled(page, () => spill(vantage))).toBeLessThanOrEqual(0.1);
		const picture = await boxIn(page, vantage, '.boat');
		expect((picture?.width ?? 0) / (picture?.height ?? 1)).toBeCloseTo(640 / 400, 2);
	}
	expect(await settled(page, () => draftOf(server, 'css/layout.css'))).toContain(
		'.card .boat {\n  width: 420px;\n  max-width: 100%;\n  height: auto;\n}'
	);
	expect(await work.actions()).toBeLessThanOrEqual(15);
	// No width at which it passes its column’s edge, or has another shape than its own.
	const found = await foundOn(page);
	expect(found.length).toBeGreaterThan(0);
	expect(found.filter((one) => one.includes('img.boat'))).toEqual([]);
});
