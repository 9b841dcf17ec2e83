import { bring, expect, openBench, pageFrames, shownText, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

/** Text after the first line that is left alone. */
const REST = '\n\n/* sea */\n\n';
const SITE = {
	'index.html':
		'<!doctype html>\n<link rel=stylesheet href=a.css>\n<link rel=stylesheet href=b.css>\n<body>\n<p>sea</p>\n' +
		'<div style="height: 3000px"></div>\n<i>land</i>\n</body>\n',
	'a.css': `p { color: red }${REST}`,
	'b.css': 'i { color: red }\n'
};
const steps = (page: Page) => page.getByRole('group').filter({ hasText: 'Newest first' });
const active = (page: Page) => page.getByRole('tab', { selected: true }).first();

/** Types before the end of a file's one rule. */
async function write(page: Page, file: string, letters: string): Promise<void> {
	await page.getByRole('tab', { name: file }).click();
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+Home');
	await page.keyboard.press('End');
	await page.keyboard.press('ArrowLeft');
	await page.keyboard.press('ArrowLeft');
	await page.keyboard.type(letters);
}

test('the newest step is taken back in whichever file it is, listed, gone to, and kept over a reload', async ({
	page,
	server
}) => {
	const site = await bring(server, SITE);
	await openBench(page, server, site);
	await write(page, 'a.css', '; top: 1px');
	await write(page, 'b.css', '; left: 2px');
	await page.getByRole('tab', { name: 'a.css' }).click();

	// With the focus in no file: sheet and frames go to the place of the newest step.
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Control+z');
	await expect(active(page)).toHaveText(/b.css/);
	expect(await settled(page, () => shownText(page))).toBe(SITE['b.css']);
	const scrolled = () => pageFrames(page)[0]?.evaluate(() => scrollY);
	await expect.poll(scrolled).toBeGreaterThan(1000);
	await page.keyboard.press('Control+z');
	await expect(active(page)).toHaveText(/a.css/);
	expect(await settled(page, () => shownText(page))).toBe(SITE['a.css']);
	await expect.poll(scrolled).toBe(0);
	await page.keyboard.press('Control+Shift+Z');
	expect(await settled(page, () => shownText(page))).toBe(`p { color: red; top: 1px }${REST}`);

	await page.getByText('Steps', { exact: true }).click();
	const row = (i: number) => steps(page).getByRole('button').nth(i);
	await expect(row(0)).toContainText('“; left: 2px” added, line 1');
	await expect(row(0)).toContainText(/undone, b.css, \d\d:\d\d/);
	await expect(row(1)).toHaveAttribute('aria-current', 'step');
	// One tab stop, arrow keys inside.
	const tabStops = (): Promise<number> =>
		steps(page)
			.getByRole('button')
			.evaluateAll((all) => all.filter((one) => one.tabIndex >= 0).length);
	await row(0).focus();
	await page.keyboard.press('ArrowDown');
	await expect(row(1)).toBeFocused();
	expect(await tabStops()).toBe(1);
	await row(0).click();
	await expect(active(page)).toHaveText(/b.css/);
	expect(await settled(page, () => shownText(page))).toBe('i { color: red; left: 2px }\n');

	await page.reload();
	await expect(page.locator('.cm-content')).toBeVisible();
	await page.getByText('Steps', { exact: true }).click();
	await row(2).click();
	await page.getByRole('tab', { name: 'b.css' }).click();
	expect(await settled(page, () => shownText(page))).toBe(SITE['b.css']);
	await expect(page.getByText('✓ Saved')).toBeVisible();
});

test('a step of a sheet that the page does not use is gone to on a page that does', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		...SITE,
		'other.html': '<!doctype html><link rel=stylesheet href=c.css><u>quay</u>',
		'c.css': 'u { color: red }\n'
	});
	await openBench(page, server, site, '?page=other.html&file=c.css');
	await write(page, 'c.css', '; top: 1px');
	await page.getByLabel('Page', { exact: true }).selectOption('index.html');
	await expect(page.getByRole('tab', { name: 'c.css' })).toHaveCount(1);
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Control+z');
	await expect(page.getByLabel('Page', { exact: true })).toHaveValue('other.html');
	await expect(active(page)).toHaveText(/c.css/);
	expect(await settled(page, () => shownText(page))).toBe('u { color: red }\n');
});

test('what was changed is shown line by line against what is saved or a revision, taken back by lines, and discarded', async ({
	page,
	server
}) => {
	const site = await bring(server, SITE);
	await openBench(page, server, site);
	await write(page, 'a.css', '; top: 1px');
	await page.keyboard.press('Control+s');
	await expect(page.getByText('✓ Saved · revision 2')).toBeVisible();
	await page.keyboard.press('Control+End');
	await page.keyboard.type('b { top: 0 }\n');
	await write(page, 'b.css', '; left: 2px');

	await page.getByRole('button', { name: 'Changes' }).click();
	const dialog = page.getByRole('dialog', { name: 'Changes' });
	const now = dialog.getByRole('textbox', { name: / as it is now$/ });
	await dialog.getByLabel('File').selectOption('a.css');
	await expect(dialog).toContainText('1 place differs.');
	await expect(now).toContainText('b { top: 0 }');
	await dialog.getByLabel('compared with').selectOption({ index: 2 });
	await expect(dialog).toContainText('2 places differ.');
	await dialog.getByRole('button', { name: 'Use these lines from the left' }).first().click();
	await expect(dialog).toContainText('1 place differs.');
	await expect(now).toContainText('p { color: red }/* sea */b { top: 0 }');
	await dialog.getByLabel('compared with').selectOption('saved');
	await dialog.getByRole('button', { name: 'Discard the changes of 2 files' }).click();
	await expect(dialog).toContainText('No difference.');
	await dialog.getByRole('button', { name: 'Close' }).click();
	await expect(page.getByText('✓ Saved · revision 2')).toBeVisible();
	await page.keyboard.press('Control+z');
	await expect(page.getByText('2 files unsaved')).toBeVisible();
	await page.getByRole('tab', { name: 'a.css' }).click();
	expect(await settled(page, () => shownText(page))).toBe(`p { color: red }${REST}b { top: 0 }\n`);
});

test('a second tab says what the first has unsaved; texts that part are settled line by line', async ({
	page,
	server,
	context
}) => {
	const site = await bring(server, SITE);
	await openBench(page, server, site);
	await write(page, 'a.css', '; top: 1px');
	const other = await context.newPage();
	await openBench(other, server, site, '?page=index.html&file=a.css');
	await expect(other.getByText('unsaved in another tab')).toBeVisible();
	await other.getByRole('tab', { name: 'b.css' }).click();
	await expect(other.getByText('unsaved in another tab')).toHaveCount(0);
	// A third tab that crashes no longer counts.
	const third = await context.newPage();
	await openBench(third, server, site, '?page=index.html&file=b.css');
	await write(third, 'b.css', '; left: 1px');
	await expect(other.getByText('unsaved in another tab')).toBeVisible();
	const session = await context.newCDPSession(third);
	void session.send('Page.crash').catch(() => undefined);
	await expect(other.getByText('unsaved in another tab')).toHaveCount(0);
	await other.getByRole('tab', { name: 'a.css' }).click();
	await other.locator('.cm-content').click();
	await other.keyboard.press('Control+End');
	await other.keyboard.type('b { top: 0 }\n');
	await other.keyboard.press('Control+s');
	await expect(other.getByText('✓ Saved · revision 2')).toBeVisible();

	await page.keyboard.press('Control+s');
	await page.getByRole('button', { name: 'Compare, line by line' }).click();
	const dialog = page.getByRole('dialog', { name: 'Changes' });
	await expect(dialog).toContainText('2 places differ.');
	await dialog.getByRole('button', { name: 'Use these lines from the left' }).last().click();
	await expect(dialog).toContainText('1 place differs.');
	await dialog.getByRole('button', { name: 'Keep the right side' }).click();
	await dialog.getByRole('button', { name: 'Close' }).click();
	await page.keyboard.press('Control+s');
	await expect(page.getByText('✓ Saved · revision 3')).toBeVisible();
	const kept = (await (await fetch(`${server.url}/api/sites/${site}`)).json()) as {
		files: { path: string; text: string }[];
	};
	expect(kept.files.find(({ path }) => path === 'a.css')?.text).toBe(
		`p { color: red; top: 1px }${REST}b { top: 0 }\n`
	);
});
