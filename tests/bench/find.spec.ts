import { expect, openBench, pageFrames, test } from '../fixtures.ts';

test('anything is found by its words and gone to; back and forward walk the same way', async ({
	page,
	server
}) => {
	await openBench(page, server);
	const found = page.getByRole('listbox', { name: 'Found' }).getByRole('option');
	const find = async (words: string): Promise<void> => {
		await page.keyboard.press('/');
		await page.keyboard.type(words);
	};
	const selected = page.getByLabel('What is selected').locator('.name b');

	// An element, which then is selected and in sight.
	await find('sails between');
	const [lead] = pageFrames(page);
	const name = (await found.first().locator('.name').textContent()) ?? '';
	await expect(found.first()).toContainText('element');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('dialog')).toHaveCount(0);
	await expect(selected).toHaveText(name);
	await expect.poll(() => lead?.evaluate(() => scrollY > 0)).toBe(true);

	// A rule, with the caret there.
	await find('.sail .words h2');
	await expect(found.first()).toContainText('css/sailings.css:16');
	await page.keyboard.press('Enter');
	await expect(page.locator('.cm-activeLine')).toContainText('.sail .words h2');
	await page.keyboard.press('Escape');
	await page.getByText('Vantaggio', { exact: true }).click();

	// A breakpoint, an action with its key, a page, a screen.
	await find('1400');
	await expect(found.first()).toContainText('breakpoint');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('slider', { name: 'Carriage' })).toHaveAttribute('aria-valuenow', '1400');
	await find('light table');
	await expect(found.first().locator('kbd')).toHaveText('L');
	await page.keyboard.press('Escape');
	await find('boats.html');
	await page.keyboard.press('Enter');
	await expect(page.getByLabel('Page', { exact: true })).toHaveValue('boats.html');
	await find('zzz');
	await expect(page.getByRole('status').filter({ hasText: 'Nothing here is called so' })).toBeVisible();
	await page.keyboard.press('Escape');
	await find('site');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/site\?/);

	// Back, through screen, page and selection; forward again.
	await page.keyboard.press('j');
	await expect(page).toHaveURL(/bench\?page=boats/);
	await page.keyboard.press('j');
	await expect(selected).toHaveText(name);
	await page.keyboard.press('k');
	await expect(page).toHaveURL(/bench\?page=boats/);
});
