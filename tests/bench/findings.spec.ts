import { bring, expect, openBench, pageFrames, test } from '../fixtures.ts';

test('what is wrong is listed with its widths, shown where it begins, and gone once it is mended', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><p class=wide>Sea</p><div class=room><div class=box>Quay</div></div>',
		'a.css': 'body { margin: 0 }\n.wide { width: 512.5px }\n.room { width: 40% }\n.box { width: 200px }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+O');
	const panel = page.getByRole('tabpanel', { name: 'Findings' });
	await expect(panel.getByRole('listitem')).toHaveText([
		/240–512\s*The page scrolls sideways: p.wide “Sea” reaches 272.5 px beyond its edge. WCAG 2.2 §1.4.10/,
		/240–497\s*div.box “Quay” passes the edge of div.room “Quay” by 103 px/
	]);
	await panel.getByRole('button', { name: 'Pause' }).click();
	await expect(panel.getByRole('button', { name: 'Go on to every width' })).toBeVisible();
	await expect(panel.getByRole('status')).toContainText(
		/2 found. \d+ of 2321 widths measured; the longest stretch not looked at is \d+ px/
	);

	await panel.getByRole('button', { name: /passes the edge/ }).click();
	await expect.poll(() => pageFrames(page)[0]?.evaluate(() => innerWidth)).toBe(240);
	await expect(page).toHaveURL(/at=1\.1\.0(%2C|,)1\.1/);
	await expect(page.locator('.stretch.found')).toHaveCount(1);

	await page.locator('.cm-line', { hasText: '.box' }).click();
	await page.keyboard.press('End');
	await page.keyboard.press('ArrowLeft');
	await page.keyboard.press('ArrowLeft');
	await page.keyboard.insertText('; max-width: 100%');
	await expect(panel.getByRole('listitem')).toHaveText([/sideways/]);
});
