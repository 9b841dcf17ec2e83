import { expect, test } from '../fixtures.ts';
import { atWork, boxIn, draftOf, frameOf, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J10: a notice over the sea: equal margins though a style attribute sets the top, the whole width on narrow, no sideways scroll', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'home.html', 'css/layout.css');
	/** By how much the notice passes the right edge of the window. */
	const spill = async (vantage: Beside) =>
		((await boxIn(page, vantage, '.banner .notice'))?.right ?? NaN) -
		(await frameOf(page, vantage).evaluate(() => document.documentElement.clientWidth));
	/** The gaps above the notice and to its right, within the banner. */
	const gaps = async (vantage: Beside) => {
		const [notice, banner] = [
			await boxIn(page, vantage, '.banner .notice'),
			await boxIn(page, vantage, '.banner')
		];
		return [(notice?.top ?? 0) - (banner?.top ?? 0), (banner?.right ?? 0) - (notice?.right ?? 0)] as const;
	};
	expect(await settled(page, () => spill('Handset'))).toBeGreaterThan(0);
	const [above, beside] = await gaps('Notebook');
	expect(above - beside).toBeCloseTo(24, 1);

	// The style attribute is edited where it stands.
	await work.select('Weather at sea', 'div.notice');
	await work.collate('top', '0');
	expect(
		await settled(page, async () => {
			const [top, right] = await gaps('Notebook');
			return Math.abs(top - right);
		})
	).toBeLessThan(0.02);

	await work.collate('width', 'auto', { into: /^\.notice in/, extent: 'under the width', at: 700 });
	expect(await settled(page, () => spill('Handset'))).toBeLessThanOrEqual(0);
	const slate = { into: /^\.notice in/, extent: 'here only' };
	await work.collate('position', 'relative', slate);
	await work.collate('width', 'auto', slate);
	expect(
		await settled(page, async () => {
			const [notice, banner] = [
				await boxIn(page, 'Slate', '.banner .notice'),
				await boxIn(page, 'Slate', '.banner')
			];
			return (notice?.width ?? 0) / (banner?.width ?? 1);
		})
	).toBeGreaterThan(0.7);
	const notice = await boxIn(page, 'Notebook', '.banner .notice');
	expect(notice?.bottom).toBeLessThan(720);
	expect(await settled(page, () => draftOf(server, 'home.html'))).toContain('style="top: 0"');
	expect(await work.actions()).toBeLessThanOrEqual(24);
});
