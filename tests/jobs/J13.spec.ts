import { expect, test } from '../fixtures.ts';
import { atWork, frameOf, type Beside } from './bench.ts';

test('J13: a fluid title: 28 px under 400, 64 px from 1400, in proportion between, read off in the frames', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'home.html', 'css/base.css');
	const size = (vantage: Beside) =>
		frameOf(page, vantage)
			.locator('h1')
			.evaluate((h1) => Number.parseFloat(getComputedStyle(h1).fontSize));
	await expect.poll(() => size('Handset')).toBeCloseTo(390 * 0.056, 1);
	// 28 px at 400 and 64 px at 1400: 3.6 px for each 100 px of width, and 13.6 px at none.
	await work.write('h1 { font-size: clamp(1.75rem, 0.85rem + 3.6vw, 4rem); }');
	await expect.poll(() => size('Handset')).toBeCloseTo(28, 2);
	expect(await size('Slate')).toBeCloseTo(13.6 + 7.68 * 3.6, 2);
	expect(await size('Notebook')).toBeCloseTo(13.6 + 12.8 * 3.6, 2);

	// What the sheet says of it under the pointer.
	await expect(async () => {
		// The Wake comes under the sheet once what was written is measured, and moves the line.
		await page.getByText('Vantaggio', { exact: true }).hover();
		await page.locator('.cm-line', { hasText: 'h1 { font-size: clamp(1.75rem' }).getByText('3.6vw').hover();
		await expect(page.locator('.cm-tooltip')).toContainText('Handset', { timeout: 3000 });
	}).toPass();
	expect(work.actions()).toBeLessThanOrEqual(4);
});
