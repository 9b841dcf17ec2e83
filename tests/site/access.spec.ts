import { chromium, type Locator } from '@playwright/test';
import AxeBuilder from 'axe-core';
import { bring, errorsOf, expect, framesShown, freshDemo, openBench, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';
import { LAUNCH } from '../launch.ts';
import { openType, panel } from '../type/setting.ts';

/** What axe finds on a screen, the pages in its frames left out; at night colours are all that is another. */
async function findings(page: Page): Promise<string[]> {
	const day = await axe(page, '');
	await page.emulateMedia({ colorScheme: 'dark' });
	const night = await axe(page, ", runOnly: ['color-contrast']");
	await page.emulateMedia({ colorScheme: 'light' });
	return [...day, ...night.map((one) => `at night: ${one}`)];
}

async function axe(page: Page, options: string): Promise<string[]> {
	// Run in a world of its own, the same one for as long as the document stays: its policy lets no other script in.
	const session = await page.context().newCDPSession(page);
	const { frameTree } = await session.send('Page.getFrameTree');
	const { executionContextId: contextId } = await session.send('Page.createIsolatedWorld', {
		frameId: frameTree.frame.id,
		worldName: 'axe'
	});
	const evaluate = async (expression: string): Promise<unknown> =>
		(await session.send('Runtime.evaluate', { expression, contextId, awaitPromise: true })).result.value;
	if ((await evaluate('typeof axe')) === 'undefined') await evaluate(AxeBuilder.source);
	const found = await evaluate(
		`axe.run(document, { iframes: false, preload: false, resultTypes: ['violations']${options} }).then((result) => JSON.stringify(result.violations.flatMap(({ id, nodes }) => nodes.map(({ target, failureSummary }) => id + ' ' + target + ' ' + failureSummary))))`
	);
	await session.detach();
	return JSON.parse(String(found)) as string[];
}

test('axe finds nothing on any screen, by day or by night', async ({ page, server, empty }) => {
	await page.goto(empty.url);
	await expect(page.getByRole('heading', { name: 'Open a page of yours' })).toBeVisible();
	expect(await findings(page), 'first visit').toEqual([]);
	// As it ships: other tests leave their drafts in the first one.
	const site = await freshDemo(server);
	await openBench(page, server, site);
	await page.getByRole('button', { name: 'Threshold 700' }).focus();
	expect(await findings(page), 'Bench').toEqual([]);
	await page.getByText('Switches').click();
	await page.getByLabel('right to left').check();
	await page.getByText('Wrap', { exact: true }).click();
	expect(await findings(page), 'Bench with a menu and a switch').toEqual([]);
	await page.getByRole('button', { name: 'all off' }).click();
	await page.getByRole('button', { name: 'Keys' }).click();
	expect(await findings(page), 'keys').toEqual([]);
	await page.keyboard.press('Escape');
	await page.keyboard.press('/');
	await page.keyboard.type('sail');
	expect(await findings(page), 'find').toEqual([]);
	await page.keyboard.press('Escape');
	await page.keyboard.press('a');
	await page.getByLabel('Find', { exact: true }).fill('sail');
	expect(await findings(page), 'search in all files').toEqual([]);
	await page.keyboard.press('Escape');
	await page.goto(`${server.url}/site/${site}/bench?page=boats.html&at=1.1.1.0`);
	await expect(page.locator('.name b')).toBeVisible();
	expect(await findings(page), 'a selection').toEqual([]);
	await page.getByRole('tab', { name: 'Trace' }).click();
	await page.locator('.property').first().click();
	expect(await findings(page), 'Trace').toEqual([]);
	await page.getByRole('tab', { name: 'Reach' }).click();
	await expect(page.getByText('this section only')).toBeVisible();
	expect(await findings(page), 'Reach').toEqual([]);
	await page.getByRole('tab', { name: 'Outline' }).click();
	await expect(page.getByRole('treeitem', { selected: true })).toBeVisible();
	expect(await findings(page), 'Outline').toEqual([]);
	await page.getByText('Go', { exact: true }).click();
	await page.getByRole('button', { name: 'Rules that match nothing' }).click();
	await expect(page.getByRole('dialog')).toContainText('on no page that has this file');
	expect(await findings(page), 'leftovers').toEqual([]);
	await page.keyboard.press('Escape');
	await page.getByRole('tab', { name: 'Original' }).click();
	expect(await findings(page), 'Originals').toEqual([]);
	await page.getByRole('tab', { name: 'States' }).click();
	await page.getByLabel('hover').check();
	await page.getByRole('button', { name: 'New staged state' }).click();
	expect(await findings(page), 'a staged state').toEqual([]);
	await page.keyboard.press('Escape');
	await page.getByRole('tab', { name: 'Markup' }).click();
	await page.getByRole('button', { name: 'Duplicate' }).click();
	await expect(page.getByRole('dialog')).toContainText('Duplicates one element');
	expect(await findings(page), 'Markup, and what would be written').toEqual([]);
	await page.keyboard.press('Escape');
	await page.goto(`${server.url}/site/${site}/bench?page=home.html&at=1.2.0`);
	await expect(page.locator('.name b')).toBeVisible();
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('c');
	await page.getByLabel('computed').check();
	await expect(page.getByRole('rowheader', { name: 'sum of widths' })).toBeVisible();
	expect(await findings(page), 'Collation at the whole width').toEqual([]);
	await page.getByRole('button', { name: /^gap, E/ }).click();
	await page.locator('input.field').fill('48px');
	await expect(page.locator('.into')).toContainText('changes');
	expect(await findings(page), 'a value in the hand').toEqual([]);
	await page.goto(`${server.url}/site/${site}/bench?page=boats.html&at=1.1.1.0,1.1.1.1`);
	await expect(page.getByText('between them')).toBeVisible();
	expect(await findings(page), 'twins').toEqual([]);
	await openType(page, server, site, '?page=home.html');
	expect(await findings(page), 'Type').toEqual([]);
	await panel(page, 'Checks');
	expect(await findings(page), 'checks of sizes').toEqual([]);
	await page.keyboard.press('s');
	await panel(page, 'Steps');
	expect(await findings(page), 'a scale').toEqual([]);
	await panel(page, 'Lines');
	expect(await findings(page), 'lines of a scale').toEqual([]);
	await page.keyboard.press('o');
	await expect(page.getByRole('combobox', { name: 'Middle' })).toBeVisible();
	expect(await findings(page), 'one length').toEqual([]);
	await page.goto(`${server.url}/site/${site}/site`);
	await expect(page.getByRole('heading', { name: 'Missing' })).toBeVisible();
	expect(await findings(page), 'Site').toEqual([]);
	await page.getByRole('button', { name: 'Change Handset' }).click();
	await page.getByLabel('Width, px').fill('0');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByText('0 is less than 100')).toBeVisible();
	expect(await findings(page), 'vantage form').toEqual([]);
	await page.goto(`${server.url}/site/99/bench`);
	await expect(page.getByText('There is no site 99 here')).toBeVisible();
	expect(await findings(page), 'error').toEqual([]);
});

test('axe finds nothing with very long names and a hundred sheets, narrow, wide and with text of twice the size', async ({
	page: usual,
	server
}) => {
	const name = `a-very-long-name-${'of-a-sheet-'.repeat(12)}`;
	const paths = Array.from({ length: 100 }, (_, i) => `css/${i === 0 ? name : `part-${i}`}.css`);
	const site = await bring(server, {
		[`${'folder-'.repeat(20)}/index.html`]: `<!doctype html>${paths.map((path) => `<link rel=stylesheet href="../${path}">`).join('')}<p>x`,
		...Object.fromEntries(paths.map((path, i) => [path, `p { --n: ${i} }\n`]))
	});
	const large = await chromium.launch({
		...LAUNCH,
		args: [...(LAUNCH.args ?? []), '--blink-settings=defaultFontSize=32']
	});
	const largePage = await large.newPage();
	const errors = errorsOf(largePage.context());
	for (const [page, width, height, size] of [
		[usual, 1024, 768, 14],
		[usual, 2560, 1440, 14],
		[largePage, 1280, 800, 28]
	] as const) {
		await page.setViewportSize({ width, height });
		await openBench(page, server, site);
		await expect(page.locator('body')).toHaveCSS('font-size', `${size}px`);
		expect(await findings(page), `Bench at ${width}`).toEqual([]);
		// Nothing of the application itself passes the window's edge.
		const passing = await page.evaluate(() =>
			document.documentElement.scrollWidth <= innerWidth
				? []
				: [...document.querySelectorAll('body *')]
						.filter((one) => one.getBoundingClientRect().right > innerWidth + 1)
						.map((one) => `${one.localName}.${one.className}`)
		);
		expect(passing).toEqual([]);
		await page.goto(`${server.url}/site/${site}/site`);
		await expect(page.getByRole('heading', { name: 'Engines' })).toBeVisible();
		expect(await findings(page), `Site at ${width}`).toEqual([]);
	}
	expect(errors).toEqual([]);
	await large.close();
});

test('Measure, Collation and Trace are one tab stop each, with arrow keys inside', async ({
	page,
	server
}) => {
	await openBench(page, server, 1, '?page=home.html&at=1.2.0');
	const stops = (of: Locator): Promise<number> =>
		of.evaluateAll((all) => all.filter((one) => (one as HTMLElement).tabIndex >= 0).length);
	/** What has the focus: a cell by its property and column, as what it does may be told later. */
	const names = (): Promise<string> =>
		page.evaluate(() => {
			const one = document.activeElement as HTMLElement | null;
			return one?.dataset.cell ?? one?.getAttribute('aria-label') ?? one?.textContent ?? '';
		});
	const measure = page.locator('.number > button, .vantage, .sliver > button');
	expect(await settled(page, () => stops(measure))).toBe(1);
	await measure.first().focus();
	await page.keyboard.press('ArrowRight');
	expect(await names()).toBe('Threshold 599 | 600');
	expect(await stops(measure)).toBe(1);
	await page.keyboard.press('End');
	expect(await names()).toMatch(/half of a breakpoint/);

	await page.keyboard.press('Shift+C');
	const grid = page.getByRole('grid', { name: /^Collation of/ });
	const values = grid.locator('button.value');
	await expect(values.first()).toBeVisible();
	expect(await settled(page, () => stops(values))).toBe(1);
	await values.first().focus();
	const first = await names();
	await page.keyboard.press('ArrowDown');
	await page.keyboard.press('ArrowRight');
	const inside = await names();
	expect(inside.split(',')[0]).not.toBe(first.split(',')[0]);
	await page.keyboard.press('Home');
	await page.keyboard.press('ArrowUp');
	expect(await names()).toBe(first);
	// What is taken into the hand and let go has the focus again.
	await page.keyboard.press('Enter');
	await expect(grid.locator('input')).toBeFocused();
	await page.keyboard.press('Escape');
	expect(await settled(page, names)).toBe(first);

	await page.keyboard.press('Shift+T');
	const properties = page.locator('.row > button.name');
	await expect(properties.first()).toBeVisible();
	expect(await settled(page, () => stops(properties))).toBe(1);
	await properties.first().focus();
	await page.keyboard.press('ArrowDown');
	await expect(properties.nth(1)).toBeFocused();
});

test('the tables of the Site screen are one tab stop each, with arrow keys inside', async ({
	page,
	server
}) => {
	await page.goto(`${server.url}/site/${await freshDemo(server)}/site`);
	const vantages = page.locator('#vantages tbody');
	await expect(vantages.locator('tr').first()).toBeVisible();
	const stops = (of: Locator): Promise<number> =>
		of
			.locator('a, button:enabled, input')
			.evaluateAll((all) => all.filter((one) => (one as HTMLElement).tabIndex >= 0).length);
	for (const table of await page.locator('tbody').all()) expect(await stops(table)).toBe(1);
	const first = vantages.locator('button:enabled, input');
	await first.nth(0).focus();
	await page.keyboard.press('ArrowRight');
	await expect(first.nth(1)).toBeFocused();
	// What is moved up keeps the focus, and the first row has one stop less to offer.
	const name = vantages.locator('tr').nth(1).getByRole('button', { name: / up$/ });
	const moved = (await name.getAttribute('aria-label')) ?? '';
	await name.press('Enter');
	await expect(vantages.locator('tr').first().locator('button.down')).toBeFocused();
	await expect(vantages.locator('tr').first()).toContainText(moved.replace(/ up$/, ''));
	expect(await stops(vantages)).toBe(1);
	await page.keyboard.press('Enter');
	await expect(vantages.locator('tr').nth(1)).toContainText(moved.replace(/ up$/, ''));
});

/** A window of 1280 × 800 px at a browser zoom of 200 %, and a small one. */
for (const [width, height] of [
	[640, 400],
	[1024, 768]
] as const) {
	test(`at ${width} × ${height} nothing lies over anything, the sheet keeps eight lines, the page does not scroll sideways`, async ({
		page,
		server
	}) => {
		await page.setViewportSize({ width, height });
		await page.goto(`${server.url}/site/1/bench?page=home.html`);
		await framesShown(page);
		const found = await settled(page, () =>
			page.evaluate(() => {
				const boxes = (selector: string): DOMRect[] =>
					[...document.querySelectorAll(selector)].map((one) => one.getBoundingClientRect());
				const frames = boxes('.frames .frame');
				const words = boxes('.frames .frame > .words');
				const overlaps = (a: DOMRect, b: DOMRect): boolean =>
					a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1;
				const all = [...frames, ...words];
				const sheet = document.querySelector('.cm-scroller') as HTMLElement;
				const line = document.querySelector('.cm-line') as HTMLElement;
				return {
					shown: frames.length,
					over: all.flatMap((a, i) => all.slice(i + 1).filter((b) => overlaps(a, b)).length).filter(Boolean),
					rows: Math.floor(sheet.clientHeight / parseFloat(getComputedStyle(line).lineHeight)),
					sideways: document.documentElement.scrollWidth > innerWidth
				};
			})
		);
		expect(found.shown).toBeGreaterThan(1);
		expect(found.over).toEqual([]);
		expect(found.rows).toBeGreaterThanOrEqual(8);
		expect(found.sideways).toBe(false);
	});
}
