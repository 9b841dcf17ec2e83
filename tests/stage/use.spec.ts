import type { Frame } from '@playwright/test';
import { bring, clickIn, expect, openBench, pageFrames, test, type Page, type Server } from '../fixtures.ts';
import { settled } from '../rest.ts';

const open = async (page: Page, server: Server): Promise<[Frame, Frame, Frame]> => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><details id=d><summary>More</summary>inside</details><input type=checkbox id=c><a id=l href="deep/other.html#x">other</a> <a id=away href="http://outside.test/">away</a><p id=h>hover</p>',
		'deep/other.html': '<!doctype html><title>Other</title><h1>Other</h1>',
		'a.css': '#h { color: rgb(0, 0, 1); width: 300px } #h:hover { color: rgb(0, 0, 2) }'
	});
	await openBench(page, server, site, '?page=index.html');
	return pageFrames(page).slice(0, 3) as [Frame, Frame, Frame];
};

test('a page is used with U: boxes tick, details open, other frames follow; Escape comes back', async ({
	page,
	server
}) => {
	const [lead, handset, slate] = await open(page, server);
	const isOpen = (frame: Frame) => frame.locator('#d').evaluate((one) => (one as HTMLDetailsElement).open);
	await lead.locator('summary').click();
	expect(await isOpen(lead)).toBe(false);
	await page.keyboard.press('u');
	await expect(page.getByText('using the page, Esc to leave')).toBeVisible();
	await lead.locator('summary').click();
	for (const frame of [lead, handset, slate]) expect(await settled(page, () => isOpen(frame))).toBe(true);
	await lead.locator('#c').click();
	for (const frame of [lead, handset, slate]) await expect(frame.locator('#c')).toBeChecked();
	await page.keyboard.press('Tab');
	await expect(lead.locator('#l')).toBeFocused();

	// A tap holds the hover where the vantage cannot hover, until the next.
	await clickIn(page, 'Handset', handset, '#h');
	await page.mouse.move(2, 400);
	await expect(handset.locator('#h')).toHaveCSS('color', 'rgb(0, 0, 2)');
	await expect(lead.locator('#h')).toHaveCSS('color', 'rgb(0, 0, 1)');
	await clickIn(page, 'Handset', handset, '#c');
	await expect(handset.locator('#h')).toHaveCSS('color', 'rgb(0, 0, 1)');

	await page.keyboard.press('Escape');
	await expect(page.getByText('using the page, Esc to leave')).toHaveCount(0);
	await lead.locator('#c').click();
	await expect(lead.locator('#c')).not.toBeChecked();
});

test('a link in use opens its page of the site, in every frame, and leads nowhere else', async ({
	page,
	server
}) => {
	const [lead] = await open(page, server);
	await page.getByRole('button', { name: 'Use', exact: true }).click();
	await lead.locator('#away').click();
	await expect(lead.locator('#away')).toBeVisible();
	await lead.locator('#l').click();
	await expect(page).toHaveURL(/page=deep%2Fother\.html/);
	for (const frame of pageFrames(page)) await expect(frame.locator('h1')).toHaveText('Other');
	await page.goBack();
	await expect(pageFrames(page)[0]?.locator('#l') ?? page.locator('none')).toBeVisible();
});

test('L held shows the edges of all boxes and whose they are; P held the page as last saved', async ({
	page,
	server
}) => {
	const [lead, handset] = await open(page, server);
	await page.keyboard.down('l');
	for (const frame of [lead, handset]) await expect(frame.locator('#h')).toHaveCSS('outline-style', 'solid');
	await lead.locator('#h').hover();
	const stage = lead.parentFrame();
	await expect(stage?.getByText(/^p#h {2}300 × \d/) ?? page.locator('none')).toBeVisible();
	await page.keyboard.up('l');
	await expect(lead.locator('#h')).toHaveCSS('outline-style', 'none');

	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText(' #h { color: rgb(9, 9, 9) !important }');
	for (const frame of [lead, handset]) await expect(frame.locator('#h')).toHaveCSS('color', 'rgb(9, 9, 9)');
	await page.locator('header h1').click();
	await lead.locator('body').click({ position: { x: 300, y: 1 } });
	await page.keyboard.down('p');
	for (const frame of [lead, handset]) await expect(frame.locator('#h')).toHaveCSS('color', 'rgb(0, 0, 1)');
	await expect(page.locator('.on b', { hasText: 'as last saved' })).toBeVisible();
	await page.keyboard.up('p');
	for (const frame of [lead, handset]) await expect(frame.locator('#h')).toHaveCSS('color', 'rgb(9, 9, 9)');

	// Saved, the page as it was before that is a revision.
	await page.keyboard.press('Control+s');
	await expect(page.getByText('✓ Saved · revision 2')).toBeVisible();
	const choice = page.getByLabel('While P is held, show');
	await choice.focus();
	await choice.selectOption({ value: '1' });
	await page.locator('header h1').click();
	await page.keyboard.down('p');
	for (const frame of [lead, handset]) await expect(frame.locator('#h')).toHaveCSS('color', 'rgb(0, 0, 1)');
	await expect(page.locator('.on b', { hasText: 'as revision 1' })).toBeVisible();
	await page.keyboard.up('p');
	await expect(lead.locator('#h')).toHaveCSS('color', 'rgb(9, 9, 9)');
});

test('a key that is held is let go when the window, or the frame that has it, loses the focus', async ({
	page,
	server
}) => {
	const [lead] = await open(page, server);
	const edges = (style: string) => expect(lead.locator('#h')).toHaveCSS('outline-style', style);
	await page.locator('header h1').click();
	await page.keyboard.down('l');
	await edges('solid');
	await page.evaluate(() => dispatchEvent(new FocusEvent('blur')));
	await edges('none');
	await page.keyboard.up('l');

	await lead.locator('body').click({ position: { x: 300, y: 1 } });
	await page.keyboard.down('l');
	await edges('solid');
	await lead.evaluate(() => dispatchEvent(new FocusEvent('blur')));
	await edges('none');
	await page.keyboard.up('l');
});

test('the stages stay as they are while screens change, and serve the one that is shown', async ({
	page,
	server
}) => {
	const [lead] = await open(page, server);
	const marked = () => lead.evaluate(() => document.documentElement.hasAttribute('data-kept'));
	await lead.evaluate(() => document.documentElement.setAttribute('data-kept', ''));
	await page.getByRole('link', { name: 'Type', exact: true }).click();
	await expect(page.getByText(/\d+ texts? of this page/)).toBeVisible();
	await lead.locator('#h').click();
	await expect(page).toHaveURL(/\/type\?.*at=1\.4/);
	expect(await marked()).toBe(true);
	await page.getByRole('link', { name: 'Site', exact: true }).click();
	await expect(page.getByRole('heading', { name: 'Export' })).toBeVisible();
	await page.getByRole('link', { name: 'Bench', exact: true }).click();
	await expect(page.locator('.cm-content')).toBeVisible();
	await lead.locator('#l').click();
	await expect(page).toHaveURL(/\/bench\?.*at=1\.2/);
	expect(await marked()).toBe(true);
	// They follow what is written.
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText('\n#h { width: 123px }');
	await expect(lead.locator('#h')).toHaveCSS('width', '123px');
});
