import { expect, test } from '../fixtures.ts';
import { atWork, frameOf, panel, traced } from './bench.ts';
import { settled } from '../rest.ts';

test('J02: two pairs of steppers told apart, the space found in a style attribute, the leftover found and taken out', async ({
	page,
	server
}) => {
	const work = await atWork(page, server, 'home.html', 'css/sailings.css');
	await work.select('steppers', 'div.steppers.wide-only');
	await expect(page.getByRole('treeitem').filter({ hasText: 'narrow-only' })).toContainText('display: none');
	await work.ask('i');
	await expect(panel(page).locator('.instead')).toHaveText(
		'div.steppers.narrow-only has the same content and is shown instead <700'
	);
	await work.ask('Shift+T');
	const space = await traced(page, 'margin-top');
	await expect(space).toContainText('margin-top: 26px of the style attribute');
	await expect(space.locator('.place').first()).toHaveText('home.html:55');

	// The other pair, where it shows: an old rule pulls it up, and without that it stands as it should.
	await work.select('steppers', 'div.steppers.narrow-only');
	await work.ask('Shift+T');
	const culprit = await traced(page, 'margin-top');
	await expect(culprit).toContainText('margin-top: -8px of .board .strip ~ .steppers');
	const margin = () =>
		frameOf(page, 'Handset')
			.locator('.narrow-only')
			.evaluate((one) => getComputedStyle(one).marginTop);
	expect(await margin()).toBe('-8px');
	await culprit.getByRole('button', { name: 'mute it' }).click();
	expect(await settled(page, margin)).toBe('0px');
	await expect(page.getByText('1 muted')).toBeVisible();
	expect(await work.actions()).toBeLessThanOrEqual(12);

	// Taken out of the sheet, where it was put on trial; and the space is changed where it is said, in the attribute.
	await page.keyboard.press('Shift+M');
	await page.keyboard.press('Shift+C');
	await page
		.locator('td.here')
		.getByRole('button', { name: /^margin-top, / })
		.focus();
	await page.keyboard.press('Delete');
	expect(await settled(page, margin)).toBe('0px');
	await work.select('steppers', 'div.steppers.wide-only');
	await work.collate('margin-top', '12px');
	expect(
		await settled(page, () => frameOf(page, 'Notebook').locator('.wide-only').getAttribute('style'))
	).toBe('margin-top: 12px');
	expect(await work.actions()).toBeLessThanOrEqual(22);
});
