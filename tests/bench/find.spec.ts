import { bring, expect, openBench, pageFrames, shownText, test } from '../fixtures.ts';
import { settled } from '../rest.ts';

test('anything is found by its words and gone to; back and forward walk the same way', async ({
	page,
	server
}) => {
	await openBench(page, server);
	const found = page.getByRole('listbox', { name: 'Found' }).getByRole('option');
	const find = async (words: string): Promise<void> => {
		await page.keyboard.press('/');
		await page.keyboard.type(words);
	};
	const selected = page.getByLabel('What is selected').locator('.name b');

	// An element, which is then selected and in sight.
	await find('sails between');
	const [lead] = pageFrames(page);
	const name = (await found.first().locator('.name').textContent()) ?? '';
	await expect(found.first()).toContainText('element');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('dialog')).toHaveCount(0);
	await expect(selected).toHaveText(name);
	expect(await settled(page, () => lead?.evaluate(() => scrollY > 0))).toBe(true);

	// A rule, with the caret there.
	await find('.sail .words h2');
	await expect(found.first()).toContainText('css/sailings.css:16');
	await page.keyboard.press('Enter');
	await expect(page.locator('.cm-activeLine')).toContainText('.sail .words h2');
	// Single keys keep working beside the text; Enter goes in, Escape comes out.
	const beside = page.getByRole('button', { name: 'Enter or E: edit here' });
	await expect(beside).toBeFocused();
	await page.keyboard.press('Enter');
	await expect(page.locator('.cm-content')).toBeFocused();
	await page.keyboard.press('Escape');
	await expect(beside).toBeFocused();

	// A breakpoint, an action with its key, a page, a screen.
	await find('1400');
	await expect(found.first()).toContainText('breakpoint');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('slider', { name: 'Carriage' })).toHaveAttribute('aria-valuenow', '1400');
	await find('keylines');
	await expect(found.first().locator('kbd')).toHaveText('L');
	await page.keyboard.press('Escape');
	await find('boats.html');
	await page.keyboard.press('Enter');
	await expect(page.getByLabel('Page', { exact: true })).toHaveValue('boats.html');
	await find('zzz');
	await expect(
		page.getByRole('status').filter({ hasText: 'Nothing found. Elements of other pages' })
	).toBeVisible();
	await page.keyboard.press('Escape');
	await find('site');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/site\?/);

	// Back, through screen, page and selection; forward again.
	await page.keyboard.press('j');
	await expect(page).toHaveURL(/bench\?page=boats/);
	await page.keyboard.press('j');
	await expect(selected).toHaveText(name);
	await page.keyboard.press('k');
	await expect(page).toHaveURL(/bench\?page=boats/);
});

test('menus open by key and a letter chooses; frames beside the lead are drawn and moved by keys', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel="stylesheet" href="a.css"><p>words',
		'a.css': 'p { color: red }\n.none { color: blue }\n'
	});
	await openBench(page, server, site);
	const frames = page.getByRole('region', { name: 'Frames' });
	const chorus = frames.getByRole('button', { name: /^(Handset|Slate|Notebook) \d/ });
	const names = async (): Promise<string[]> =>
		(await chorus.allInnerTexts()).map((words) => words.split(' ')[0] ?? '');
	expect(await names()).toEqual(['Handset', 'Slate', 'Notebook']);
	await page.keyboard.press('Shift+F');
	const first = frames.getByRole('button', { name: /^Handset/ });
	await expect(first).toBeFocused();
	await page.keyboard.press('ArrowRight');
	expect(await settled(page, names)).toEqual(['Slate', 'Handset', 'Notebook']);
	await expect(first).toBeFocused();
	const width = async (): Promise<number> =>
		(await page.locator('.frame', { has: page.getByRole('button', { name: /^Handset/ }) }).boundingBox())
			?.width ?? 0;
	const before = await width();
	await page.keyboard.press('+');
	expect(await settled(page, width)).toBeGreaterThan(before);

	await page.keyboard.press('Shift+E');
	const go = page.getByRole('button', { name: 'Rules that match nothing' });
	await expect(go).toBeInViewport({ ratio: 1 });
	await page.keyboard.press('ArrowUp');
	await expect(page.getByRole('button', { name: 'Do not wrap long lines' })).toBeFocused();
	await page.keyboard.press('l');
	await expect(page.getByRole('dialog')).toContainText('One rule matches nothing');
	await page.keyboard.press('Escape');

	await page.keyboard.press('Shift+S');
	await page.keyboard.press('c');
	await page.keyboard.press('Shift+K');
	await expect(page.getByRole('button', { name: /Unmute everything/ }).last()).toBeVisible();
	await page.keyboard.press('a');
	await expect(page.getByText(/^\d+ muted$/)).toHaveCount(0);
});

test('a property is found by what it is for, and written into the rule at the caret', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p class=x>x',
		'a.css': '.x {\n\tcolor: red;\n}\n.y { top: 0 }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	const found = page.getByRole('listbox', { name: 'Found' }).getByRole('option');
	await page.locator('.cm-line', { hasText: 'color' }).click();
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('/');
	await page.keyboard.type('even spacing between items');
	await expect(found.first()).toContainText(/^property\s*gap/);
	await page.keyboard.press('Enter');
	await page.keyboard.type('4px');
	expect(await settled(page, () => shownText(page))).toBe(
		'.x {\n\tcolor: red;\n\tgap: 4px;\n}\n.y { top: 0 }\n'
	);
});
