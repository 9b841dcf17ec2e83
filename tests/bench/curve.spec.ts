import { bring, expect, framesShown, openBench, pageFrames, test, type Page } from '../fixtures.ts';

const SITE = {
	'index.html':
		'<!doctype html><link rel=stylesheet href=a.css><body><h1>A title</h1><p>some words that take more lines in a narrow window than in a wide one, and then some more of them</p>',
	'a.css': `body { margin: 0; font: 16px/20px monospace }
h1 { margin: 0; font-size: clamp(28px, 14.4px + 2.5vw, 44px); line-height: 1 }
@media (width >= 700px) { h1 { padding: 30px } }
p { margin: 0; width: 50% }
`
};

const panel = (page: Page) => page.getByRole('tabpanel', { name: 'Curve' });
const status = (page: Page) => panel(page).getByRole('status').first();
const changes = (page: Page) => panel(page).locator('li > button');
const follow = async (page: Page, property: string): Promise<void> => {
	await panel(page).getByLabel('Another property to follow').fill(property);
	await page.keyboard.press('Enter');
};

test('where a value changes is told with its curve and what makes each change, and is kept over a reload', async ({
	page,
	server
}) => {
	const site = await bring(server, SITE);
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.0');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+Y');
	await follow(page, 'font-size');
	// Both knees, with the declaration that has them.
	await expect(status(page)).toContainText(/2 changes. \d+ of 2321 widths measured/);
	await expect(panel(page).getByRole('img', { name: /font-size over widths/ })).toBeVisible();
	await expect(changes(page)).toHaveText([
		/^544 28px: stays constant, then grows 2.5 a 100 px font-size: clamp/,
		/^1184 44px: grows 2.5 a 100 px, then stays constant font-size: clamp/
	]);
	await changes(page).nth(1).click();
	await expect(panel(page).locator('.detail')).toContainText('on h1, a.css:2');
	const carriage = page.getByLabel('Width of the carriage, px');
	await expect(carriage).toHaveValue('1184');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+B');
	await expect(carriage).toHaveValue('1183');
	// A threshold is named by the declaration that begins there.
	await panel(page).getByLabel('What is followed').selectOption('padding-top');
	await expect(changes(page)).toHaveText([/^700 0px → 30px padding: 30px/]);
	// After a reload nothing is measured anew: no stage can be had for it.
	const measured = async (): Promise<number> =>
		Number(/(\d+) of 2321/.exec(await status(page).innerText())?.[1] ?? 0);
	const had = await measured();
	await page.route(/\/\/stage-[1-9]/, (route) => route.abort());
	await page.reload();
	await framesShown(page, 4);
	await page.keyboard.press('Shift+Y');
	await follow(page, 'padding-top');
	await expect(changes(page)).toHaveText([/^700 0px → 30px/]);
	expect(await measured()).toBeGreaterThanOrEqual(had);
});

test('a height that follows from words says which take more lines', async ({ page, server }) => {
	const site = await bring(server, SITE);
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.1');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+Y');
	await panel(page).getByLabel('What is followed').selectOption('box:height');
	const last = changes(page).last();
	await expect(last).toContainText('p: 2 → 1 lines');
	// One line where half of the window is as wide as the words are.
	const wide = await pageFrames(page)[0]?.evaluate(() => {
		const range = document.createRange();
		const [words] = document.querySelector('p')?.childNodes ?? [];
		range.setStart(words as Text, 0);
		range.setEnd(words as Text, 4);
		return (range.getBoundingClientRect().width / 4) * (words?.nodeValue?.length ?? NaN);
	});
	const at = Math.ceil(2 * (wide ?? NaN));
	await expect(last).toContainText(`${at} 40px → 20px`);
});
