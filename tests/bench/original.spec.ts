import type { Frame } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { bring, clickIn, expect, openBench, pageFrames, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

const PICTURE = join(import.meta.dirname, '../../demo/site/img/ramp-480.webp');

/** The position of the picture in the lead, px of the lead's page. */
async function lies(page: Page, lead: Frame): Promise<number[]> {
	const width = await lead.evaluate(() => innerWidth);
	return page
		.frameLocator('.table iframe')
		.first()
		.locator('img')
		.first()
		.evaluate((image, wide) => {
			const box = (image.parentElement as HTMLElement).getBoundingClientRect();
			const { left, top, width } = image.getBoundingClientRect();
			const scale = box.width / wide;
			return [left - box.left, top - box.top, width].map((one) => Math.round(one / scale));
		}, width);
}

test('an Original is dropped in, shown, lined up by points and by an element, measured, and kept with the site', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><style>body { margin: 0; height: 3000px } i { position: absolute; width: 2px; height: 2px } #a { left: 100px; top: 50px } #b { left: 300px; top: 50px } #c { left: 20px; top: 30px } #d { left: 420px; top: 30px } #e { left: 200px; top: 100px; width: 240px; height: 100px; background: gold }</style><i id=a></i><i id=b></i><i id=c></i><i id=d></i><i id=e></i>'
	});
	await openBench(page, server, site, '?page=index.html');
	const [lead] = pageFrames(page) as [Frame];
	const tab = page.getByRole('tab', { name: 'Original' });
	await tab.click();
	await page
		.locator('input[type=file]')
		.setInputFiles({ name: 'page.css', mimeType: 'text/css', buffer: Buffer.from('a{}') });
	await expect(page.getByText('This is no picture that can be read; nothing was imported.')).toBeVisible();
	await page.locator('input[type=file]').setInputFiles(PICTURE);
	await expect(page.getByRole('button', { name: '812 ramp-480.webp' })).toBeVisible();
	expect(await settled(page, () => lies(page, lead))).toEqual([0, 0, 812]);
	// Other widths have none.
	await expect(page.frameLocator('.table iframe').first().locator('img')).toHaveCount(1);

	// Two points 200 px apart in the picture are brought to 400 px apart on the page.
	const before = 812 / 480;
	await page.getByRole('button', { name: 'Line up by two points' }).click();
	for (const point of ['#a', '#c', '#b', '#d']) {
		await expect(page.locator('.wants')).not.toBeEmpty();
		await clickIn(page, 'Carriage', lead, point);
	}
	await expect(page.getByText('ramp-480.webp lined up')).toHaveCount(0);
	expect(await settled(page, async () => (await lies(page, lead))[2])).toBeGreaterThan(1600);
	const [x, , width] = (await lies(page, lead)) as [number, number, number];
	expect(Math.abs(width - 480 * before * 2)).toBeLessThan(10);
	expect(Math.abs(x - (21 - 101 * 2))).toBeLessThan(6);

	// By an element: two corners in the picture are brought to its box.
	await clickIn(page, 'Carriage', lead, '#e');
	await page.getByRole('button', { name: 'Line up with the selection' }).click();
	await clickIn(page, 'Carriage', lead, '#a');
	await clickIn(page, 'Carriage', lead, '#d');
	expect(await settled(page, async () => (await lies(page, lead))[2])).toBeLessThan(1400);

	// It scrolls with the page; a figure can be typed.
	await page.getByLabel('from the left, px').fill('40');
	await page.keyboard.press('Tab');
	expect(await settled(page, async () => (await lies(page, lead))[0])).toBe(40);
	const [, top] = (await lies(page, lead)) as [number, number];
	await lead.evaluate(() => scrollTo(0, 200));
	expect(await settled(page, async () => (await lies(page, lead))[1])).toBe(top - 200);
	await lead.evaluate(() => scrollTo(0, 0));
	for (const words of ['under the page', 'wiped', 'off']) {
		await page.getByLabel(words, { exact: true }).check();
	}
	await expect(page.frameLocator('.table iframe').first().locator('img')).toHaveCount(0);

	await page.getByRole('button', { name: 'Measure between points' }).click();
	await clickIn(page, 'Carriage', lead, '#c');
	await clickIn(page, 'Carriage', lead, '#d');
	await expect(
		page
			.frameLocator('.table iframe')
			.first()
			.getByText(/^(399|400|401)(\.\d+)? \(/)
	).toBeVisible();
	await page.getByRole('button', { name: 'Done' }).click();

	await page.reload();
	await tab.click();
	await expect(page.getByRole('button', { name: '812 ramp-480.webp' })).toBeVisible();
	await page.getByLabel('over it').check();
	expect(await settled(page, async () => (await lies(page, pageFrames(page)[0] as Frame))[0])).toBe(40);
	await page.getByRole('button', { name: 'Remove' }).click();
	await expect(page.getByRole('button', { name: '812 ramp-480.webp' })).toHaveCount(0);
});

test('a picture dropped onto the sheet comes into the site, its address to the caret', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=css/a.css><p>x</p>',
		'css/a.css': 'p { background: ; height: 90px }\n'
	});
	await openBench(page, server, site, '?page=index.html');
	const bytes = [...(await readFile(PICTURE))];
	await page
		.locator('.cm-line')
		.first()
		.click({ position: { x: 4, y: 6 } });
	for (let i = 0; i < 16; i++) await page.keyboard.press('ArrowRight');
	const transfer = await page.evaluateHandle((content) => {
		const data = new DataTransfer();
		data.items.add(new File([new Uint8Array(content)], 'ramp shot.webp', { type: 'image/webp' }));
		return data;
	}, bytes);
	await page.locator('.cm-content').dispatchEvent('drop', { dataTransfer: transfer });
	await expect(page.locator('.cm-line').first()).toContainText('background: url("../img/ramp-shot.webp")');
	const [lead] = pageFrames(page) as [Frame];
	expect(
		await settled(page, () =>
			lead.evaluate(
				async () =>
					(await fetch('img/ramp-shot.webp').catch(() => null))?.status ??
					getComputedStyle(document.querySelector('p') as Element).backgroundImage
			)
		)
	).toContain('img/ramp-shot.webp');
	await page.keyboard.press('Control+s');
	await expect(page.getByText('revision 3')).toBeVisible();
});
