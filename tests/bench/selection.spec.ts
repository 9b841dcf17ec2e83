import type { Frame } from '@playwright/test';
import { bring, clickIn, expect, openBench, pageFrames, test, type Page, type Server } from '../fixtures.ts';
import { settled } from '../rest.ts';

const SHEET = `main { width: 600px; padding: 0 20px; margin: 0 }
.card { padding: 10px 15px; margin: 30px 12px 8px; border: 2px solid; width: 200px; float: left }
.mirror { padding-left: 9px; float: right }
@media (width < 420px) { .card { width: 90px } }`;

const open = async (page: Page, server: Server): Promise<Frame[]> => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><main><p class="card one" id=a><b>First</b> card</p><p class="card mirror" id=b>Second card</p></main>',
		'a.css': SHEET
	});
	await openBench(page, server, site, '?page=index.html');
	return pageFrames(page);
};

const drawings = (page: Page) => page.frameLocator('.table iframe').first().locator('svg');
const selectedName = (page: Page) => page.getByLabel('What is selected').locator('.name b');

test('a click selects, the same element is drawn in every frame with its figures, and the address names it', async ({
	page,
	server
}) => {
	const [lead] = (await open(page, server)) as [Frame];
	await clickIn(page, 'Carriage', lead, '#a b');
	await expect(selectedName(page)).toHaveText('b');
	await expect(drawings(page)).toHaveCount(4);
	await clickIn(page, 'Carriage', lead, '#a b');
	await expect(selectedName(page)).toHaveText('p#a.card.one');
	await clickIn(page, 'Carriage', lead, '#a b', 'Shift');
	await expect(selectedName(page)).toHaveText('b');
	// At the same place, but after something else was selected in another way.
	await page.goBack();
	await expect(selectedName(page)).toHaveText('p#a.card.one');
	await clickIn(page, 'Carriage', lead, '#a b');
	await expect(selectedName(page)).toHaveText('b');
	await page.goBack();
	await expect(selectedName(page)).toHaveText('p#a.card.one');

	// The figures are those of the page in each frame.
	const row = (name: string) =>
		page.getByLabel('What is selected').getByRole('row').filter({ hasText: name });
	await expect(row('Carriage')).toContainText('30 12 8');
	await expect(row('Carriage')).toContainText('10 15');
	const size = await lead.locator('#a').evaluate((element) => {
		const { width, height } = element.getBoundingClientRect();
		return `${Math.round(width * 100) / 100} × ${Math.round(height * 100) / 100}`;
	});
	await expect(row('Carriage')).toContainText(size);
	await expect(row('Handset')).toContainText('124 ×');
	const sums = page.getByLabel('What is selected').locator('figcaption');
	await expect(sums.first()).toHaveText(
		'width: margin 12 + border 2 + padding 15 + content 200 + padding 15 + border 2 + margin 12 = 258 of 600'
	);
	await expect(sums.last()).toContainText('height: margin 30 + border 2');
	for (const figure of ['30', '12', '8', size]) {
		await expect(
			drawings(page)
				.first()
				.locator('text', { hasText: new RegExp(`^${figure}$`) })
				.first()
		).toBeVisible();
	}

	await page.reload();
	await expect(selectedName(page)).toHaveText('p#a.card.one');
	await expect(drawings(page)).toHaveCount(4);

	// The boxes follow what is written.
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.type('\n#a { width: 321px }');
	await expect(row('Carriage')).toContainText('355 ×');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Escape');
	await expect(drawings(page)).toHaveCount(0);
});

test('D held shows distances; of two elements everything is side by side, plain or mirrored', async ({
	page,
	server
}) => {
	const [lead] = (await open(page, server)) as [Frame];
	await clickIn(page, 'Carriage', lead, '#a');
	const between = await lead.evaluate(() => {
		const box = (id: string) => document.getElementById(id)?.getBoundingClientRect() as DOMRect;
		return String(Math.round((box('b').left - box('a').right) * 100) / 100);
	});
	const figures = drawings(page).first().locator('text[fill="#b0281a"]');
	await expect(figures).toHaveCount(0);
	await page.keyboard.down('d');
	await expect(figures.filter({ hasText: between })).toHaveCount(1);
	await page.keyboard.up('d');
	await expect(figures).toHaveCount(0);

	await clickIn(page, 'Carriage', lead, '#b', 'Control');
	const panel = page.getByLabel('What is selected');
	const different = (name: string) => panel.getByRole('row', { name: `≠ ${name}` });
	await expect(panel.getByRole('row', { name: 'between them' })).toContainText(`${between} to the right`);
	await expect(different('padding-left')).toContainText('15px');
	await expect(different('float')).toHaveCount(1);
	await panel.getByLabel('mirrored').check();
	await expect(different('float')).toHaveCount(0);
	await expect(different('padding-right')).toContainText('9px');
});

test('the lead stands alone at full size by F, and back; chorus frames grow and change places, remembered', async ({
	page,
	server
}) => {
	await open(page, server);
	const lead = page.locator('.frame', { hasText: 'Carriage' });
	await page.keyboard.press('f');
	await expect(lead).toContainText('100 %');
	await expect(page.locator('.frame')).toHaveCount(1);
	await expect(page.getByLabel('Sheet', { exact: true })).toBeHidden();
	await page.keyboard.press('f');
	await expect(page.locator('.frame')).toHaveCount(4);

	const names = () => page.locator('.frame button b').allTextContents();
	expect(await names()).toEqual(['Handset', 'Slate', 'Notebook']);
	const slate = page.locator('.frame', { hasText: 'Slate' });
	const before = (await slate.boundingBox())?.height ?? 0;
	await slate.getByRole('button', { name: 'Larger' }).click();
	expect(await settled(page, async () => (await slate.boundingBox())?.height ?? 0)).toBeGreaterThan(
		before * 1.1
	);
	await slate.getByRole('button', { name: 'Earlier in the row' }).click();
	expect(await settled(page, names)).toEqual(['Slate', 'Handset', 'Notebook']);
	const grown = (await slate.boundingBox())?.height ?? 0;
	await page.reload();
	expect(await settled(page, names)).toEqual(['Slate', 'Handset', 'Notebook']);
	expect((await slate.boundingBox())?.height).toBeCloseTo(grown, 0);
});

test('frames begin at what an address selects, and so do those that come back', async ({ page, empty }) => {
	const site = await bring(empty, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><p style="height: 3000px"></p><p class=x>words</p><p style="height: 3000px"></p>',
		'a.css': '.x { margin: 0 }\n@media (width >= 700px) { .x { margin: 5px } }\n'
	});
	await openBench(page, empty, site, '?page=index.html&at=1.1');
	const inSight = () =>
		expect(async () => {
			const frames = pageFrames(page);
			expect(frames.length).toBeGreaterThan(2);
			for (const frame of frames)
				await expect(frame.locator('.x')).toBeInViewport({ ratio: 1, timeout: 1_000 });
		}).toPass();
	await inSight();
	await page.keyboard.press('c');
	await expect(page.locator('.frames.wide')).toBeVisible();
	await page.keyboard.press('c');
	await expect(page.locator('.frames.wide')).toHaveCount(0);
	await inSight();
});
