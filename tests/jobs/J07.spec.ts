import { expect, freshDemo, test } from '../fixtures.ts';

import { atWork, frameOf, panel, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J07: automatic margins centre the words in every row that asks for it; a second row is centred by asking alone; padding for one band of one of them', async ({
	page,
	server
}) => {
	const site = await freshDemo(server);
	let work = await atWork(page, server, 'island.html', 'css/layout.css', site);
	/** How far the words of the row stand off its middle, px. */
	const off = (vantage: Beside) =>
		frameOf(page, vantage)
			.locator('.beside')
			.evaluate((row) => {
				const words = [...row.querySelectorAll('.words > *')].map((one) => one.getBoundingClientRect());
				const { top, bottom } = row.getBoundingClientRect();
				return Math.abs((words[0]?.top ?? 0) + (words.at(-1)?.bottom ?? 0) - top - bottom) / 2;
			});
	/** Asks for it by a class, on the row that holds some words. */
	const ask = async (row: string): Promise<void> => {
		await work.select(row, 'div.beside');
		await work.ask('Shift+R');
		await panel(page).getByLabel('Add a class').fill('level');
		await panel(page)
			.getByRole('button', { name: /^Add to/ })
			.click();
		await page.getByRole('button', { name: 'Write it' }).click();
	};
	await work.write('.beside.level .words { margin-block: auto; padding-top: 0; }');
	expect(await off('Notebook')).toBeGreaterThan(1);
	await ask('div.beside');
	for (const vantage of ['Slate', 'Notebook'] as const)
		expect(await settled(page, () => off(vantage))).toBeLessThan(0.1);
	await page.keyboard.press('Control+s');
	await expect(page.getByText(/Saved · revision 2/)).toBeVisible();
	const before = await work.actions();

	// Another page, another row: asked for by the class alone.
	work = await atWork(page, server, 'boats.html', 'css/layout.css', site);
	await ask('div.beside');
	for (const vantage of ['Slate', 'Notebook'] as const)
		expect(await settled(page, () => off(vantage))).toBeLessThan(0.1);
	const padding = (vantage: Beside) =>
		frameOf(page, vantage)
			.locator('.beside .words')
			.evaluate((one) => getComputedStyle(one).paddingInline);
	await work.select('Ask the mate', 'div.words');
	await work.collate('padding-inline', '12px', {
		into: /^\.beside\.level \.words in/,
		extent: 'under the width',
		at: 700
	});
	expect(await settled(page, () => padding('Handset'))).toBe('12px');
	expect([await padding('Slate'), await padding('Notebook')]).toEqual(['0px', '0px']);
	expect(before + (await work.actions())).toBeLessThanOrEqual(32);
});
