import { expect, test } from '../fixtures.ts';
import { atWork, boxIn, type Beside } from './bench.ts';
import { settled } from '../rest.ts';

test('J01: words beside a round picture stand at its mid-height, with twice the words too; stacked on narrow as before', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'island.html', 'css/layout.css');
	/** The gaps above and below the shorter of the two, px. */
	const gaps = async (vantage: Beside) => {
		const [words, picture] = [
			await boxIn(page, vantage, '.beside .words p'),
			await boxIn(page, vantage, '.beside img')
		];
		return Math.abs(
			(words?.top ?? 0) - (picture?.top ?? 0) - ((picture?.bottom ?? 0) - (words?.bottom ?? 0))
		);
	};
	/** How the words stand on narrow: below the picture, so high and wide. */
	const stacked = async () => {
		const [words, picture] = [
			await boxIn(page, 'Handset', '.beside .words p'),
			await boxIn(page, 'Handset', '.beside img')
		];
		const below = (words?.top ?? 0) - (picture?.bottom ?? 0);
		return [Math.round(64 * below) / 64, words?.width, words?.height];
	};
	const narrow = await stacked();
	expect(await gaps('Slate')).toBeGreaterThan(5);

	await work.select('beside', 'div.beside');
	await work.collate('align-items', 'center');
	await work.select('bakery', 'div.words');
	await work.collate('padding-top', '0');
	for (const vantage of ['Slate', 'Notebook'] as const)
		expect(await settled(page, () => gaps(vantage))).toBeLessThanOrEqual(1);
	expect(await stacked()).toEqual(narrow);

	// Twice the words, put in with their markup as it is.
	await work.aside(async () => {
		await work.select('bakery', 'p The bakery');
		await work.ask('Shift+I');
		const field = page.getByLabel('Text in it');
		const words = await field.inputValue();
		await field.fill(`${words} ${words}`);
		await field.press('Tab');
		await page.getByRole('dialog').getByRole('button', { name: 'Write it' }).click();
	});
	for (const vantage of ['Slate', 'Notebook'] as const)
		expect(await settled(page, () => gaps(vantage))).toBeLessThanOrEqual(1);
	await expect(page.getByRole('tab', { name: /layout.css/ })).toBeVisible();
	expect(await work.actions()).toBeLessThanOrEqual(19);
});
