import { bring, expect, openBench, pageFrames, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

const FILES = {
	'index.html': `<!doctype html><meta charset=utf-8><link rel=stylesheet href=a.css>
<section class=full><h1>Slipway</h1></section><p id=low>Under the first window</p><div id=end>End</div>`,
	'a.css': `* { margin: 0 }
.full { height: 100vh; background: #def }
.full h1 { padding-top: 60vh }
#low { height: 1500px }
@media (orientation: portrait) { h1 { color: red } }
@media (min-height: 640px) { h1 { color: blue } }
`
};

const lead = (page: Page) => {
	const [first] = pageFrames(page);
	if (!first) throw new Error('There is no lead.');
	return first;
};
const seen = (page: Page) => lead(page).evaluate(() => [innerWidth, innerHeight, scrollY]);
const height = (page: Page) => page.getByLabel('Height of the window, px');
const axis = (page: Page) => page.getByRole('region', { name: 'Heights of the window' });
const ofMeasure = (page: Page) =>
	page.getByRole('region', { name: /^The Measure/ }).getByRole('button', { name: /^Threshold/ });

test('a plain window has a height of its own, whatever its place is, which is typed, dragged and kept', async ({
	page,
	server
}) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html');
	expect(await seen(page)).toEqual([812, 800, 0]);
	await expect(lead(page).locator('.full')).toHaveCSS('height', '800px');
	await expect(ofMeasure(page)).toHaveText(['800']);
	await page.setViewportSize({ width: 1024, height: 600 });
	expect(await settled(page, () => seen(page))).toEqual([812, 800, 0]);
	await expect(ofMeasure(page)).toHaveText(['800']);
	await page.setViewportSize({ width: 1280, height: 800 });

	// The heights at which something changes: a condition, a width that makes it upright, and lengths.
	await expect(axis(page).getByRole('button', { name: '(min-height: 640px) (a.css:6)' })).toBeVisible();
	await expect(
		axis(page).getByRole('button', { name: '(orientation: portrait) (a.css:5), height 812' })
	).toBeVisible();
	await expect(axis(page).getByRole('button', { name: '60vh is 480 px here' })).toHaveText('60vh');
	await height(page).fill('630');
	await height(page).press('Enter');
	expect(await settled(page, () => seen(page))).toEqual([812, 630, 0]);
	await expect(lead(page).locator('h1')).toHaveCSS('color', 'rgb(0, 0, 0)');
	await expect(ofMeasure(page)).toHaveText(['630']);
	await axis(page).getByRole('slider').press('Shift+ArrowDown');
	expect(await settled(page, () => seen(page))).toEqual([812, 640, 0]);
	await expect(lead(page).locator('h1')).toHaveCSS('color', 'rgb(0, 0, 255)');
	const grip = await axis(page).getByRole('slider').boundingBox();
	const [x, y] = [(grip?.x ?? 0) + 5, (grip?.y ?? 0) + 5];
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.mouse.move(x, y - 40, { steps: 4 });
	await page.mouse.up();
	const dragged = Number(await height(page).inputValue());
	expect(dragged).toBeLessThan(640);
	await page.reload();
	await expect(height(page)).toHaveValue(String(dragged));

	// A vantage has its own height; a plain window keeps its former one.
	await page.getByLabel('Lead as').selectOption('Handset');
	await expect(height(page)).toHaveValue('800');
	await page.getByLabel('Lead as').selectOption('plain window');
	await expect(height(page)).toHaveValue(String(dragged));
});

test('a lead higher than its place is cut, panned before its page scrolls, or shown whole', async ({
	page,
	server
}) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html');
	const more = page.getByRole('button', { name: /px more of this viewport/ });
	const above = page.getByRole('button', { name: /px more above/ });
	const beyond = async (): Promise<number> => Number.parseInt((await more.textContent()) ?? '');
	const all = await settled(page, beyond);
	expect(all).toBeGreaterThan(100);
	const box = await page.locator('.frame', { hasText: 'Carriage' }).boundingBox();
	await page.mouse.move((box?.x ?? 0) + 100, (box?.y ?? 0) + 100);
	await page.mouse.wheel(0, 60);
	await expect(above).toHaveText(/^60 px more above/);
	expect(await beyond()).toBe(all - 60);
	await page.mouse.wheel(0, 4000);
	await expect(more).toHaveCount(0);
	expect(await seen(page)).toEqual([812, 800, 0]);
	await page.mouse.wheel(0, 300);
	expect(await settled(page, () => seen(page))).toEqual([812, 800, 300]);
	await page.mouse.wheel(0, -4000);
	await expect(above).toHaveCount(0);
	expect(await seen(page)).toEqual([812, 800, 300]);
	// With Shift the page stays where it is.
	await page.keyboard.down('Shift');
	await page.mouse.wheel(0, 70);
	await page.keyboard.up('Shift');
	await expect(above).toHaveText(/^70 px more above/);
	expect(await seen(page)).toEqual([812, 800, 300]);
	await page.keyboard.press('Shift+PageUp');
	await expect(above).toHaveCount(0);
	await more.click();
	await expect(above).toBeVisible();

	// What is selected elsewhere is scrolled into the visible part.
	await page.keyboard.press('Shift+PageUp');
	await page.keyboard.press('Shift+Z');
	await page.getByRole('treeitem').filter({ hasText: 'div#end' }).first().click();
	await expect(above).toBeVisible();

	await page.keyboard.press('=');
	await expect(above).toHaveCount(0);
	await expect(more).toHaveCount(0);
	await page.reload();
	await expect(height(page)).toHaveValue('800');
	await expect(more).toHaveCount(0);
	expect(await settled(page, async () => (await seen(page))[1])).toBe(800);
});

test('what is held is compared as the window it was held in: another lead breaks nothing', async ({
	page,
	server
}) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('h');
	await expect(page.locator('.stretch.held')).toHaveCount(1);
	await page.getByLabel('Lead as').selectOption('Handset');
	await page.locator('.cm-line', { hasText: '#low' }).click();
	await page.keyboard.press('End');
	await page.keyboard.insertText(' /* as ever */');
	await page.getByText(/^Holds/).click();
	const held = page.getByRole('listitem').filter({ hasText: 'in a window 800 px high' });
	expect(await settled(page, () => held.textContent())).toContain('✓ as it was');
	await page.keyboard.press('Escape');
	await page.locator('.cm-line', { hasText: 'padding-top' }).click();
	await page.keyboard.press('End');
	await page.keyboard.insertText(' .full { height: 90vh }');
	await expect(page.getByRole('status', { name: 'Wake' })).toContainText('Hold broken');
});
