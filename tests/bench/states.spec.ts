import type { Frame } from '@playwright/test';
import {
	bring,
	clickIn,
	expect,
	framesShown,
	openBench,
	pageFrames,
	test,
	type Page,
	type Server
} from '../fixtures.ts';

const RED = 'rgb(255, 0, 0)';

const open = async (page: Page, server: Server): Promise<[Frame, Frame]> => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><nav class="menu"><a id=l href="#x">Link</a></nav><p id=p>Words</p>',
		'a.css':
			'a:hover { color: red } nav:focus-within { top: 7px } nav:active { left: 3px } .menu { display: none } .menu.open { display: block } #p { width: 90vw } p[hidden] { color: red; display: block }'
	});
	await openBench(page, server, site, '?page=index.html');
	return pageFrames(page).slice(0, 2) as [Frame, Frame];
};

test('a staged state is made in the frames alone, kept with the site, and changed or taken out again', async ({
	page,
	server
}) => {
	const [lead, handset] = await open(page, server);
	await expect(lead.locator('nav')).toBeHidden();
	await page.getByRole('tab', { name: 'States' }).click();
	await page.getByRole('button', { name: 'New staged state' }).click();
	await page.getByLabel('Selector 1').fill('.menu');
	await page.getByLabel('Name 1').fill('two words');
	await expect(page.getByText('Change 1: a name has no spaces')).toBeVisible();
	await page.getByLabel('Name 1').fill('open');
	await page.getByRole('button', { name: 'One more change' }).click();
	await page.getByLabel('Selector 2').fill('#p');
	await page.getByLabel('Change 2').selectOption('gets the attribute');
	await page.getByLabel('Name 2').fill('hidden');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	for (const frame of [lead, handset]) {
		await expect(frame.locator('nav')).toHaveCSS('display', 'block');
		await expect(frame.locator('#p')).toHaveCSS('color', RED);
	}
	await expect(page.getByRole('status').filter({ hasText: 'Menu open' }).first()).toBeVisible();
	await expect(page.getByText('✓ Saved')).toBeVisible();

	// It is there again after a reload, off until it is switched on; X switches it off.
	await page.reload();
	await framesShown(page, 4);
	const [again] = pageFrames(page) as [Frame];
	await page.getByRole('tab', { name: 'States' }).click();
	await expect(again.locator('nav')).toHaveCSS('display', 'none');
	await page.getByLabel('Menu open').check();
	await expect(again.locator('nav')).toHaveCSS('display', 'block');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('x');
	await expect(again.locator('nav')).toHaveCSS('display', 'none');
	await page.getByRole('button', { name: 'Delete' }).click();
	await expect(page.getByLabel('Menu open')).toHaveCount(0);
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByLabel('Menu open')).toHaveCount(1);
});

test('hover, focus and active are pinned on an element, in all frames or one', async ({ page, server }) => {
	const [lead, handset] = await open(page, server);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.type(' nav { display: block !important; position: relative }');
	await clickIn(page, 'Carriage', lead, '#l');
	await page.getByRole('tab', { name: 'States' }).click();
	await page.getByLabel('hover').check();
	for (const frame of [lead, handset]) await expect(frame.locator('#l')).toHaveCSS('color', RED);
	await page.getByLabel('hover').uncheck();
	await expect(handset.locator('#l')).not.toHaveCSS('color', RED);

	await page.locator('select', { hasText: 'all frames' }).selectOption('Handset');
	await page.getByLabel('focus').check();
	await page.getByLabel('active').check();
	await expect(handset.locator('nav')).toHaveCSS('top', '7px');
	await expect(handset.locator('nav')).toHaveCSS('left', '3px');
	await expect(lead.locator('nav')).not.toHaveCSS('top', '7px');
	await expect(page.getByText('focus, active pinned')).toBeVisible();
	// States are also pinned on a page that is rewritten.
	await page.getByRole('tab', { name: 'index.html' }).click();
	await page.locator('.cm-line').first().click();
	await page.keyboard.press('Control+End');
	await page.keyboard.type('<p>more</p>');
	await expect(handset.getByText('more')).toBeAttached();
	await expect(handset.locator('nav')).toHaveCSS('top', '7px');
	await page.getByRole('button', { name: 'Unpin' }).first().click();
	await expect(handset.locator('nav')).not.toHaveCSS('top', '7px');
});
