import { bring, expect, openBench, pageFrames, shownText, test } from '../fixtures.ts';
import { settled } from '../rest.ts';

const item = '<li class="card">a</li>';
const SITE = {
	'index.html': `<!doctype html><html><head></head><body class="home"><ul class="cards">${item}${item}</ul><ul id="sec-8f3a21" class="cards">${item}</ul></body></html>`,
	'other.html': `<!doctype html><body><ul>${item}${item}${item}</ul>`,
	'far.html': '<!doctype html><body class="home"><p>nothing of it</p>'
};

test('Reach names selectors for what is selected, what each hits here and on the other pages, and what it breaks by', async ({
	page,
	empty,
	context
}) => {
	const site = await bring(empty, SITE);
	await context.grantPermissions(['clipboard-read', 'clipboard-write'], { origin: empty.url });
	await openBench(page, empty, site, '?page=index.html&at=1.1.0');
	await page.keyboard.press('Shift+R');
	const row = (selector: string) =>
		page.getByRole('row').filter({ has: page.getByRole('button', { name: selector, exact: true }) });
	const cells = (selector: string) => row(selector).getByRole('cell');
	await expect(cells('li')).toHaveText(['li', '3', 'other.html 3', '0, 0, 1']);
	await expect(cells('.home .card')).toHaveText(['.home .card', '3', '–', '0, 2, 0']);
	await expect(cells('.card')).toHaveText([
		/^.card\s+no sheet of this page names this class/,
		'3',
		'other.html 3',
		'0, 1, 0'
	]);
	await expect(cells('.cards > .card')).toHaveText(['.cards > .card', '3', '–', '0, 2, 0']);
	await row('.cards > .card').getByRole('button').hover();
	for (const frame of pageFrames(page)) {
		await expect(frame.locator('.card').last()).toHaveCSS('outline-style', 'solid');
		await expect(frame.locator('ul').last()).toHaveCSS('outline-style', 'none');
	}
	await page.mouse.move(5, 400);
	for (const frame of pageFrames(page)) {
		await expect(frame.locator('.card').last()).toHaveCSS('outline-style', 'none');
	}
	await row('.cards > .card').getByRole('button').click();
	await expect(page.getByText('.cards > .card is on the clipboard')).toBeVisible();
	expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('.cards > .card');

	await openBench(page, empty, site, '?page=index.html&at=1.1');
	await page.keyboard.press('Shift+R');
	await expect(row('#sec-8f3a21')).toContainText('the id sec-8f3a21 looks made by a tool');
	await expect(cells('#sec-8f3a21').nth(1)).toHaveText('1');
});

test('a new rule is written beside those that hit the selection, by a selector of Reach or the Outline’s own, with the caret in it', async ({
	page,
	empty
}) => {
	const sheet = '.cards {\n  gap: 1px;\n}\n\n.card {\n  color: red;\n}\n\np {\n  margin: 0;\n}\n';
	const site = await bring(empty, {
		...SITE,
		'index.html': `<!doctype html><link rel=stylesheet href=a.css>${SITE['index.html'].replace('<!doctype html>', '')}`,
		'a.css': sheet
	});
	await openBench(page, empty, site, '?page=index.html&file=a.css&at=1.0.0');
	await page.keyboard.press('Shift+R');
	await page.getByRole('button', { name: '.cards > .card', exact: true }).click();
	await page.getByRole('button', { name: 'New rule with it' }).click();
	await expect(page.locator('.cm-content')).toBeFocused();
	await page.keyboard.insertText('order: 1;');
	const written = (rule: string): string => sheet.replace('}\n\np {', `}\n\n${rule}\n\np {`);
	expect(await settled(page, () => shownText(page))).toBe(written('.cards > .card {\n  order: 1;\n}'));
	// The rule is a step, and so is what is typed in it.
	await page.keyboard.press('Control+z');
	await page.keyboard.press('Control+z');
	expect(await settled(page, () => shownText(page))).toBe(sheet);

	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+Z');
	await page.getByRole('button', { name: 'New rule here' }).click();
	await expect(page.locator('.cm-content')).toBeFocused();
	const rule = /\}\n\n(.+) \{\n {2}\n\}\n\np \{/.exec(await settled(page, () => shownText(page)))?.[1] ?? '';
	// Of the steady selectors it is the one with the fewest matches: here and on the other pages.
	const hits = await pageFrames(page)[0]?.evaluate(
		(selector) => document.querySelectorAll(selector).length,
		rule
	);
	expect([rule !== '', hits]).toEqual([true, 3]);
});
