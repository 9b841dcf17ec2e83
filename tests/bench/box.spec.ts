import type { Locator } from '@playwright/test';
import { bring, expect, openBench, pageFrames, shownText, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

/** The texts about the space at each side: its length, what it ends at, and its parts. */
const spaces = async (page: Page): Promise<string[]> => {
	const table = page.getByRole('table').filter({ has: page.getByRole('columnheader', { name: 'space' }) });
	const rows = await table.locator('tbody tr').all();
	return Promise.all(
		rows.map(async (row) =>
			(await row.locator('th, td').allTextContents()).map((text) => text.trim()).join(' | ')
		)
	);
};

/** Pulls a part of a bar by so many px, and releases it. */
async function pull(page: Page, part: Locator, by: number): Promise<void> {
	const bar = await part.boundingBox();
	if (!bar) throw new Error('The part is not drawn.');
	const x = bar.x + Math.min(3, bar.width / 2);
	await page.mouse.move(x, bar.y + 5);
	await page.mouse.down();
	await page.mouse.move(x + by, bar.y + 5, { steps: 4 });
	await page.mouse.up();
}

test('the space at each side says what it ends at and where it comes from; widths are summed band by band', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': `<!doctype html><style>
* { margin: 0; padding: 0; box-sizing: border-box }
.stack { padding: 20px }
.stack p { height: 30px }
.a { margin-bottom: 24px }
.b { margin-top: 16px; margin-bottom: 6px; width: 200px; margin-left: auto; border: 1px solid }
.row { display: flex; gap: 30px; align-items: center; height: 100px }
.c { margin-right: 5px; width: 50px; height: 20px }
.d { width: 50px; height: 20px; margin-left: 10px }
@media (width >= 700px) { .b { padding: 0 10px } }
</style><body><div class=stack><p class=a>a</p><p class=b>b</p><p>c</p></div><div class=row><i class=c></i><i class=d></i></div>`
	});
	await openBench(page, server, site, '?page=index.html&at=1.0.1');
	expect(await settled(page, () => spaces(page))).toEqual([
		'above | 24 | p.a | both margins, collapsed 24',
		'right | 20 | the edge of div.stack | its padding 20',
		'below | 6 | p | own margin 6',
		'left | 592 | the edge of div.stack | its padding 20 + own auto margin 572'
	]);
	await page.goto(`${server.url}/site/${site}/bench?page=index.html&at=1.1.0`);
	expect(await settled(page, () => spaces(page))).toEqual([
		'above | 40 | the edge of div.row | line height, alignment or free room 40',
		'right | 45 | i.d | own margin 5 + gap 30 + its margin 10',
		'below | 40 | the edge of div.row | line height, alignment or free room 40',
		'left | 0 | the edge of div.row | nothing'
	]);

	await page.goto(`${server.url}/site/${site}/bench?page=index.html&at=1.0.1`);
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('c');
	const sums = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'sum of widths' }) });
	await expect(sums.getByRole('gridcell').last()).toContainText('padding 10 + content 178 + padding 10');
	await expect(sums.getByRole('gridcell').first()).not.toContainText('padding');
});

test('a bar is pulled: tried in the frames at once, written on Enter; percentages and what relies on a margin are named', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><div class=around><p class=x>One</p><p class=y>Two</p></div>',
		'a.css':
			'* { margin: 0; box-sizing: border-box }\n.around { width: 400px }\n.x { width: 50%; padding: 0 20px; margin-bottom: 5% }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.0.0');
	const panel = page.getByRole('region', { name: 'What is selected' });
	await expect(panel).toContainText('50%: of 400, the width of div.around, = 200 px');
	await expect(panel).toContainText('5%: of 400, the width of div.around, = 20 px');
	const lead = pageFrames(page)[0];
	const padding = () => lead?.locator('.x').evaluate((one) => getComputedStyle(one).paddingLeft);
	const field = panel.locator('input.field');
	await pull(page, panel.locator('figure .padding').first(), 15);
	await expect(field).toBeVisible();
	await expect(field).not.toHaveValue('0 20px');
	const tried = await field.inputValue();
	const [, left = ''] = /^0 20px 0 (\d+px)$/.exec(tried) ?? [];
	expect(parseFloat(left)).toBeGreaterThan(22);
	expect(await settled(page, padding)).toBe(left);
	await expect(panel.getByRole('combobox', { name: /^Into/ })).toContainText('.x in a.css');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain(`padding: ${tried};`);
	await expect(field).toHaveCount(0);

	await page.keyboard.press('Escape');
	await page.goto(`${server.url}/site/${site}/bench?page=index.html&file=a.css&at=1.0.0`);
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+C');
	await page.locator('td.here button.value').and(page.locator('[data-cell^="margin-bottom, "]')).click();
	await expect(panel).toContainText('p.y stands 20 px off at the bottom by it.');
	await page.keyboard.press('Escape');
	// Removing it also names that, before anything is written.
	const cell = page.locator('td.here button.value').and(page.locator('[data-cell^="margin-bottom, "]'));
	await cell.press('Delete');
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await expect(card).toContainText('p.y stands 20 px off at the bottom by it');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).not.toContain('margin-bottom');
});

test('the height is pulled like the width; padding and gap name what stands off by them', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><div class=row><i>a</i><b>b</b><u>c</u></div>',
		'a.css':
			'.row { display: flex; gap: 12px; padding: 8px 0; height: 60px; box-sizing: content-box; border-inline-start: 20px solid; }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.0');
	const panel = page.getByRole('region', { name: 'What is selected' });
	const height = panel.locator('figure', { hasText: 'height' });
	await expect(height).toContainText('height: padding 8 + content 60 + padding 8 = 76');
	await pull(page, height.locator('.content'), 20);
	await expect(panel.locator('input.field')).toBeVisible();
	const tried = await panel.locator('input.field').inputValue();
	expect(parseFloat(tried)).toBeGreaterThan(60);
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain(`height: ${tried};`);
	// Flow-relative, as the sheet names its sides.
	await pull(page, panel.locator('figure', { hasText: 'width' }).locator('.border'), 10);
	await expect(panel.locator('.hand')).toContainText('border-inline-start-width');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toMatch(
		/border-inline-start: 20px solid; border-inline-start-width: \d+px/
	);

	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+C');
	await page.locator('td button.value').and(page.locator('[data-cell^="gap, "]')).click();
	await expect(panel).toContainText('3 elements in it stand 12 px apart by it.');
	await page.keyboard.press('Escape');
	await page.locator('td button.value').and(page.locator('[data-cell^="padding, "]')).click();
	await expect(panel).toContainText('i stands 8 px off the edge at the top by it');
});
