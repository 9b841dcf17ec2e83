import { bring, expect, openBench, pageFrames, test, type Page } from '../fixtures.ts';

const SITE = {
	'index.html':
		'<!doctype html><link rel=stylesheet href=a.css><main><p class=card>a</p><p class=card>b</p><div class=deep><p class=lone>c</p></div></main>',
	'more.html': '<!doctype html><link rel=stylesheet href=a.css><p class=card>a</p><p class=other>b</p>',
	'a.css': `.card { color: red }
.card:hover { color: green }
.other::before { content: "" }
.main > .lone { margin: 0 }
.crad { color: blue }
.card .lone { top: 0 }
`
};
const open = async (page: Page, server: Parameters<typeof bring>[0]) =>
	openBench(page, server, await bring(server, SITE), '?page=index.html&file=a.css');
const hits = (page: Page) => page.getByRole('group', { name: 'What the rule at the caret matches' });

test('the rule at the caret tells what it hits here and on every page, steps through it, and offers near misses', async ({
	page,
	empty
}) => {
	await open(page, empty);
	await page.locator('.cm-line', { hasText: '.card { color: red' }).getByText('red').click();
	await expect(hits(page)).toContainText(/\.card\s+2 elements here ‹› also on\s+more.html 1/);
	const [lead] = pageFrames(page);
	const card = lead?.locator('.card').first();
	if (!card) throw new Error('There is no lead.');
	await expect(card).not.toHaveCSS('outline-style', 'solid');
	await hits(page).getByRole('button', { name: 'Next element that it matches' }).click();
	await expect(page).toHaveURL(/at=1\.0\.0$/);
	await page.keyboard.press('.');
	await expect(page).toHaveURL(/at=1\.0\.1$/);
	await page.keyboard.press(',');
	await expect(page).toHaveURL(/at=1\.0\.0$/);

	await page.locator('.cm-line', { hasText: '.other' }).getByText('.other').click();
	await expect(hits(page)).toContainText('nothing here');
	await expect(hits(page)).toContainText('only on more.html 1');

	// A similar selector is shown by a click, and then written.
	await page.locator('.cm-line', { hasText: '.crad' }).click();
	await expect(hits(page)).toContainText('.card would match 2 elements: no page has .crad');
	await hits(page).getByRole('button', { name: '.card', exact: true }).click();
	await expect(page.getByRole('dialog', { name: 'What would be written' })).toContainText(
		'no page has .crad'
	);
	await page.keyboard.press('Enter');
	await expect(page.locator('.cm-content')).toContainText('.card { color: blue }');
	await expect(card).toHaveCSS('color', 'rgb(0, 0, 255)');

	// A selector being typed is tried letter by letter, and outlined.
	await page.keyboard.press('Control+End');
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText('p.car');
	await expect(hits(page)).toContainText('nothing here');
	await page.keyboard.insertText('d');
	await expect(hits(page)).toContainText('2 elements here');
	for (const frame of pageFrames(page))
		await expect(frame.locator('.card').first()).toHaveCSS('outline-style', 'solid');
	await page.keyboard.insertText(':has(');
	await expect(hits(page)).toContainText('no selector yet');
});

test('rules that hit nothing on any page are listed, with how sure that is', async ({ page, empty }) => {
	await open(page, empty);
	await page.getByText('Go', { exact: true }).click();
	await page.getByRole('button', { name: 'Rules that match nothing' }).click();
	const dialog = page.getByRole('dialog');
	await expect(dialog.getByRole('listitem')).toHaveCount(3);
	await expect(dialog).toContainText('.main > .lone');
	await expect(dialog.getByRole('listitem').nth(1)).toContainText('no page has .crad; a script could set it');
	await expect(dialog.getByRole('listitem').nth(2)).toContainText(
		'its names are on pages, but never so together'
	);
	await dialog.getByRole('button', { name: '.crad' }).click();
	await expect(page.locator('.cm-activeLine')).toContainText('.crad');
});

test('a sheet that is not on the page stands apart, and its rules match nothing there', async ({
	page,
	empty
}) => {
	const site = await bring(empty, {
		...SITE,
		'other.css': '.card { top: 0 }\n',
		'page2.css': '',
		'page10.css': '',
		'page11.css': ''
	});
	await openBench(page, empty, site, '?page=index.html&file=other.css');
	const tabs = page.getByRole('tablist', { name: 'Files' });
	await expect(tabs).toHaveText(
		/a\.css\s*index\.html\s*not on this page\s*other\.css\s*page2\.css\s*page10\.css\s*page11\.css/
	);
	await page.locator('.cm-line', { hasText: '.card' }).click();
	await expect(hits(page)).toContainText(/\.card\s+not on this page/);
	await page.getByText('Go', { exact: true }).click();
	await page.getByRole('button', { name: 'Rules that match nothing' }).click();
	await expect(page.getByRole('dialog')).toContainText(
		/One rule matches nothing[^]*\.card[^]*no page has this file/
	);
	await page.keyboard.press('Escape');
	await tabs.getByRole('tab', { name: 'a.css' }).click();
	await page.locator('.cm-line', { hasText: '.card { color: red' }).click();
	await expect(hits(page)).toContainText('2 elements here');
	await page.getByText('All files', { exact: true }).click();
	await expect(page.getByRole('button', { name: 'page10.css, not on this page' })).toBeVisible();
	await page.keyboard.press('Escape');

	// The panel below takes the sheet's height, until the sheet is focused.
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('-');
	await expect(page.locator('.cm-content')).toBeHidden();
	await page.keyboard.press('e');
	await expect(page.locator('.cm-content')).toBeFocused();
});
