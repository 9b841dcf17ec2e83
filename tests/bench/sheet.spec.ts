import { unzipSync } from 'fflate';
import {
	bring,
	clickIn,
	expect,
	framesShown,
	openBench,
	pageFrames,
	shownText,
	test,
	toLine,
	type Page,
	type Server
} from '../fixtures.ts';
import { settled } from '../rest.ts';

const saved = (page: Page) => page.locator('header [role=status]').last();

async function typeAt(page: Page, where: 'start' | 'end', text: string): Promise<void> {
	await page.locator('.cm-content').click();
	await page.keyboard.press(where === 'start' ? 'Control+Home' : 'Control+End');
	await page.keyboard.insertText(text);
}

const exported = async (server: Server, site: number): Promise<Record<string, Uint8Array>> =>
	unzipSync(new Uint8Array(await (await fetch(`${server.url}/api/sites/${site}/export`)).arrayBuffer()));

const text = (bytes: Uint8Array | undefined): string =>
	new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes);

const SITE = {
	'yard/index.html':
		'<!doctype html>\r\n<meta charset=utf-8><link rel=stylesheet href="a.css"><style>\r\n#in { color: rgb(5, 5, 5) }\r\n</style><p id=in>in</p><p id=x>x</p>\r\n',
	'yard/a.css': '\uFEFF#x { color: rgb(1, 1, 1) }\r\n\r\n#x { margin: 0 }\r\n',
	'yard/b.css': 'left alone { }\n'
};

test('every visible frame follows what is typed, in a sheet, in a page and in its style elements', async ({
	page,
	empty
}) => {
	const site = await bring(empty, SITE);
	await openBench(page, empty, site);
	await typeAt(page, 'end', '#x { color: rgb(7, 7, 7) }');
	for (const frame of pageFrames(page)) await expect(frame.locator('#x')).toHaveCSS('color', 'rgb(7, 7, 7)');
	await page.keyboard.press('Control+z');
	for (const frame of pageFrames(page)) await expect(frame.locator('#x')).toHaveCSS('color', 'rgb(1, 1, 1)');
	await page.getByRole('tab', { name: 'index.html' }).click();
	await page.locator('.cm-line', { hasText: '#in' }).click();
	await toLine(page, 'Home');
	await page.keyboard.insertText('#x { color: rgb(8, 8, 8) !important } ');
	for (const frame of pageFrames(page)) await expect(frame.locator('#x')).toHaveCSS('color', 'rgb(8, 8, 8)');
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText('<b id=new>new</b>');
	for (const frame of pageFrames(page)) await expect(frame.locator('#new')).toHaveText('new');
});

test('broken CSS shows its note at the line, and frames show what a browser would', async ({
	page,
	empty
}) => {
	const site = await bring(empty, SITE);
	await openBench(page, empty, site);
	await typeAt(page, 'start', '#x { color: rgb(9, 9, 9) } }\n');
	await expect(page.locator('.cm-line', { hasText: '} }' }).locator('.cm-note')).toHaveText(
		'The `}` at line 1 closes nothing; browsers drop the rule after it, `#x`.'
	);
	for (const frame of pageFrames(page)) await expect(frame.locator('#x')).toHaveCSS('color', 'rgb(9, 9, 9)');
});

test(
	'a site is edited, saved, survives a restart and comes out with only the edited lines changed',
	{ tag: '@smoke' },
	async ({ page, alone }) => {
		const site = await bring(alone, SITE);
		await openBench(page, alone, site);
		await expect(saved(page)).toHaveText('✓ Saved · revision 1');
		await typeAt(page, 'end', '#x { color: rgb(7, 7, 7) }\n');
		await expect(saved(page)).toHaveText('• 1 file unsaved, kept as draft');
		await page.keyboard.press('Control+s');
		await expect(saved(page)).toHaveText('✓ Saved · revision 2');
		await alone.kill();
		await alone.start();
		const files = await exported(alone, site);
		expect(Object.keys(files).sort()).toEqual(Object.keys(SITE).sort());
		expect(text(files['yard/a.css'])).toBe(`${SITE['yard/a.css']}#x { color: rgb(7, 7, 7) }\r\n`);
		for (const path of ['yard/index.html', 'yard/b.css'] as const) expect(text(files[path])).toBe(SITE[path]);
		await openBench(page, alone, site);
		for (const frame of pageFrames(page))
			await expect(frame.locator('#x')).toHaveCSS('color', 'rgb(7, 7, 7)');
	}
);

test('unsaved text is there again after a reload, a closed tab and a killed server, on the same line', async ({
	page,
	alone,
	context
}) => {
	const site = await bring(alone, SITE);
	await openBench(page, alone, site);
	const kept = page.waitForResponse((response) => response.url().endsWith('/drafts') && response.ok());
	await typeAt(page, 'start', '\n\n/* mine */');
	await kept;
	await page.reload();
	await expect(page.locator('.cm-activeLine')).toHaveText(/\/\* mine \*\//);
	await expect(saved(page)).toHaveText('• 1 file unsaved, kept as draft');
	await page.route('**/drafts', (route) => route.abort());
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+Home');
	await page.keyboard.insertText('/* never sent */');
	await page.reload();
	await expect(page.locator('.cm-activeLine')).toHaveText(/\/\* never sent \*\//);
	await page.unroute('**/drafts');
	await expect(saved(page)).toHaveText('• 1 file unsaved, kept as draft');
	await alone.kill();
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText('/* while away */');
	await expect(saved(page)).toContainText('draft not kept');
	await page.keyboard.press('Control+s');
	await expect(saved(page)).toContainText('Not saved: The server cannot be reached. Nothing here is lost');
	const again = page.waitForResponse((response) => response.url().endsWith('/drafts') && response.ok());
	await alone.start();
	await again;
	await page.close();
	const other = await context.newPage();
	await other.goto(`${alone.url}/site/${site}/bench`);
	await expect(other.locator('.cm-content')).toContainText('/* mine */');
	await expect(other.locator('.cm-activeLine')).toHaveText(/\/\* while away \*\//);
});

test('a draft is kept within a second, however fast the typing goes on', async ({ page, empty }) => {
	const site = await bring(empty, SITE);
	await openBench(page, empty, site);
	await page.locator('.cm-content').click();
	let kept = '';
	page.on('request', (request) => {
		if (request.url().endsWith('/drafts')) kept ||= request.postData() ?? '';
	});
	for (let i = 0; i < 3000 && kept === ''; i++) await page.keyboard.type('x');
	expect(JSON.parse(kept)).toMatchObject({ path: 'a.css', text: expect.stringContaining('x') });
});

test('two tabs: a stale save overwrites nothing, and both texts survive', async ({
	page,
	empty,
	context
}) => {
	const site = await bring(empty, SITE);
	await openBench(page, empty, site);
	const other = await context.newPage();
	await openBench(other, empty, site);
	await typeAt(page, 'end', '/* mine */\n');
	await typeAt(other, 'end', '/* theirs */\n');
	await other.keyboard.press('Control+s');
	await expect(saved(other)).toHaveText('✓ Saved · revision 2');
	await page.keyboard.press('Control+s');
	await expect(saved(page)).toContainText('Not saved: a.css: saved elsewhere since you opened it.');
	await expect(page.getByRole('region', { name: 'Saved elsewhere' })).toContainText('Both texts are kept');
	expect(text((await exported(empty, site))['yard/a.css'])).toContain('/* theirs */');
	await page.reload();
	await expect(page.locator('.cm-content')).toContainText('/* mine */');
	await page.getByRole('button', { name: 'Keep mine' }).click();
	await page.keyboard.press('Control+s');
	await expect(saved(page)).toHaveText('✓ Saved · revision 3');
	expect(text((await exported(empty, site))['yard/a.css'])).toContain('/* mine */');
	await expect(other.locator('.cm-content')).toContainText('/* mine */');
});

test('long lines are wrapped until that is switched off; a new line is indented as the others of its text', async ({
	page,
	empty
}) => {
	const long = `.long { transition: ${Array.from({ length: 30 }, (_, i) => `margin-${i} ${i}s`).join(', ')} }`;
	const site = await bring(empty, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p>words',
		'a.css': `a {\n    color: red;\n}\n${long}\n`
	});
	await openBench(page, empty, site, '?file=a.css');
	const line = page.locator('.cm-line', { hasText: '.long' });
	/** Where the line's words begin, row by row, px from the left of the first row. */
	const rows = (): Promise<number[]> =>
		line.evaluate((element) => {
			const range = document.createRange();
			range.selectNodeContents(element);
			const lefts = new Map<number, number>();
			for (const { top, left } of range.getClientRects())
				lefts.set(Math.round(top), Math.min(left, lefts.get(Math.round(top)) ?? Infinity));
			const all = [...lefts].sort(([a], [b]) => a - b).map(([, left]) => left);
			return all.map((left) => Math.round(left - (all[0] ?? 0)));
		});
	const isScrolled = (): Promise<boolean> =>
		page.locator('.cm-scroller').evaluate(({ scrollWidth, clientWidth }) => scrollWidth > clientWidth);
	const [first, ...others] = await settled(page, rows);
	expect([first, await isScrolled()]).toEqual([0, false]);
	expect(others.length).toBeGreaterThan(3);
	expect(Math.min(...others)).toBeGreaterThan(20);
	expect(new Set(others).size).toBe(1);

	const go = page.getByText('Go', { exact: true });
	await go.click();
	await page.getByRole('button', { name: 'Do not wrap long lines' }).click();
	expect(await settled(page, rows)).toHaveLength(1);
	expect(await isScrolled()).toBe(true);
	// Going to a place does not leave the sheet scrolled sideways, unless the place is out of sight otherwise.
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+f');
	const find = page.getByRole('textbox', { name: 'Find', exact: true });
	const scrolledAt = async (words: string): Promise<number> => {
		await find.fill(words);
		await find.press('Enter');
		return settled(page, () => page.locator('.cm-scroller').evaluate((one) => one.scrollLeft));
	};
	expect(await scrolledAt('margin-29')).toBeGreaterThan(200);
	expect(await scrolledAt('margin-1 ')).toBe(0);
	expect(await scrolledAt('margin-29')).toBeGreaterThan(200);
	expect(await scrolledAt('color')).toBe(0);
	await page.keyboard.press('Escape');
	await page.reload();
	await framesShown(page, 4);
	expect(await settled(page, rows)).toHaveLength(1);
	await go.click();
	await page.getByRole('button', { name: 'Wrap long lines' }).click();
	expect((await settled(page, rows)).length).toBeGreaterThan(4);

	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText('b {');
	await page.keyboard.press('Enter');
	await page.keyboard.insertText('margin: 0;');
	await page.keyboard.press('Enter');
	await page.keyboard.insertText('padding: 0;');
	expect(await shownText(page)).toContain('b {\n    margin: 0;\n    padding: 0;');
});

test('a text is searched in a panel over it: places are counted, gone through and replaced, a pattern too', async ({
	page,
	empty
}) => {
	const site = await bring(empty, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p>words',
		'a.css': 'a { gap: 20px }\nb { gap: 20px; top: 3px }\n'
	});
	await openBench(page, empty, site, '?file=a.css');
	await page.locator('.cm-line').first().click();
	await page.keyboard.press('Control+Home');
	await page.keyboard.press('Control+f');
	const panel = page.getByRole('search', { name: 'Find and replace in this file' });
	const find = panel.getByRole('textbox', { name: 'Find', exact: true });
	await expect(find).toBeFocused();
	await page.keyboard.type('20PX');
	await expect(panel.getByRole('status')).toHaveText(/of 2$/);
	await page.keyboard.press('Enter');
	await page.keyboard.press('Enter');
	await expect(panel.getByRole('status')).toHaveText('2 of 2');
	await page.keyboard.press('Shift+Enter');
	await expect(panel.getByRole('status')).toHaveText('1 of 2');
	await panel.getByRole('textbox', { name: 'Replace with' }).fill('1rem');
	await page.keyboard.press('Enter');
	expect(await shownText(page)).toBe('a { gap: 1rem }\nb { gap: 20px; top: 3px }\n');
	await panel.getByRole('checkbox', { name: 'match case' }).check();
	await expect(panel.getByRole('status')).toHaveText('nothing found');
	await panel.getByRole('checkbox', { name: 'regular expression' }).check();
	await find.fill('(\\d+px');
	await expect(panel.getByRole('status')).toContainText('This is no regular expression');
	await find.fill('(\\d+)px');
	await expect(panel.getByRole('status')).toHaveText(/of 2$/);
	await panel.getByRole('textbox', { name: 'Replace with' }).fill('$1em');
	await panel.getByRole('button', { name: 'Replace all here' }).click();
	expect(await shownText(page)).toBe('a { gap: 1rem }\nb { gap: 20em; top: 3em }\n');
	// All of it is one step, and so was the earlier replacement.
	await find.focus();
	await page.keyboard.press('Escape');
	await expect(panel).toHaveCount(0);
	await expect(page.locator('.cm-content')).toBeFocused();
	await page.keyboard.press('Control+z');
	expect(await shownText(page)).toBe('a { gap: 1rem }\nb { gap: 20px; top: 3px }\n');
});

test('a minified sheet is laid out while it is read and edited; its file gets nothing but what was changed', async ({
	page,
	empty
}) => {
	const filler = Array.from({ length: 20 }, (_, i) => `.f${i}{top:0;left:0}`).join('');
	const source = `/*! kept */\n#x{color:rgb(1,1,1);margin:0}@media(width<9px){#x{top:1px}}${filler}`;
	const site = await bring(empty, { ...SITE, 'yard/a.css': source });
	await openBench(page, empty, site);
	const line = page.locator('.cm-line', { hasText: /^ {2}color:/ });
	await line.click();
	await expect(page.getByText('laid out to be read: 3:')).toBeVisible();
	await toLine(page, 'Home');
	await expect(page.getByText('here is 2:4 in the file')).toBeVisible();
	await toLine(page, 'End');
	await page.keyboard.press('Backspace');
	await page.keyboard.insertText(';outline:0;');
	await page.keyboard.press('Enter');
	await page.keyboard.insertText('order:1;');
	for (const frame of pageFrames(page)) await expect(frame.locator('#x')).toHaveCSS('order', '1');
	await page.keyboard.press('Control+s');
	await expect(saved(page)).toHaveText('✓ Saved · revision 2');
	const after = source.replace('color:rgb(1,1,1);', 'color:rgb(1,1,1);outline:0;order:1;');
	expect(text((await exported(empty, site))['yard/a.css'])).toBe(after);
	// What was on one line now has lines of its own, here and after a reload.
	const shown = async (): Promise<string> => (await shownText(page)).replace(/\s*‸.*$/gm, '');
	expect(await shown()).toContain('#x{\n  color:rgb(1,1,1);\n  outline:0;\n  order:1;\n  margin:0\n}');
	await page.reload();
	await framesShown(page);
	expect(await shown()).toContain(
		'  outline:0;\n  order:1;\n  margin:0\n}\n@media(width<9px){\n  #x{\n    top:1px\n  }\n}'
	);
	await expect(saved(page)).toHaveText('✓ Saved · revision 2');
});

test('what is minified in a page, or pasted into a sheet, is laid out, and places say where it is in the file', async ({
	page,
	empty
}) => {
	const rules = (name: string): string =>
		Array.from({ length: 20 }, (_, i) => `.${name}${i}{top:0;left:0}`).join('');
	const inPage = `#x{color:rgb(1,1,1);margin:0}${rules('f')}`;
	const source = `<!doctype html>\n<link rel=stylesheet href="a.css"><style>${inPage}</style><p id=x>x</p>\n`;
	const site = await bring(empty, { 'yard/index.html': source, 'yard/a.css': '/* ours */\n' });
	await openBench(page, empty, site);
	// Pasted text stays as it was pasted until it is saved.
	const pasted = `#x{order:3}${rules('g')}`;
	await typeAt(page, 'end', pasted);
	await expect(page.getByText('laid out to be read')).toHaveCount(0);
	await page.keyboard.press('Control+s');
	await expect(saved(page)).toHaveText('✓ Saved · revision 2');
	expect(await shownText(page)).toContain('#x{\n  order:3\n}\n.g0{\n');
	await expect(page.getByText('laid out to be read')).toBeVisible();
	expect(text((await exported(empty, site))['yard/a.css'])).toBe(`/* ours */\n${pasted}`);
	// The page's own sheet: one declaration per line, in the frames, and in the file with only the changes.
	const [lead] = pageFrames(page);
	if (!lead) throw new Error('There is no lead.');
	await clickIn(page, 'Carriage', lead, '#x');
	await page.keyboard.press('Shift+T');
	const column = source.indexOf('color:') - source.indexOf('<link') + 1;
	await page
		.getByRole('region', { name: 'What is selected' })
		.locator('button.name', { hasText: /^color/ })
		.click();
	await page.getByRole('button', { name: `index.html:4 (2:${column} in the file)` }).click();
	await expect(page.getByText(`4:3 here is 2:${column} in the file`)).toBeVisible();
	await toLine(page, 'End');
	await page.keyboard.insertText('order:4;');
	for (const frame of pageFrames(page)) await expect(frame.locator('#x')).toHaveCSS('order', '4');
	await page.keyboard.press('Control+s');
	await expect(saved(page)).toHaveText('✓ Saved · revision 3');
	const after = source.replace('color:rgb(1,1,1);', 'color:rgb(1,1,1);order:4;');
	expect(text((await exported(empty, site))['yard/index.html'])).toBe(after);
	// Find names both places of a rule, too.
	await page.getByRole('button', { name: 'Find', exact: true }).click();
	await page.getByRole('dialog').getByRole('combobox').fill('.f3');
	const at = after.indexOf('.f3{') - after.indexOf('<link') + 1;
	await expect(page.getByRole('option', { name: `(2:${at} in the file)` })).toBeVisible();
});

test('a page whose sheet is minified no more is told as its file has it', async ({ empty }) => {
	const rules = Array.from({ length: 20 }, (_, i) => `.f${i}{top:0;left:0}`).join('');
	const site = await bring(empty, {
		'index.html': `<style>#x{order:1;top:0}${rules}</style><p id=x>x</p>\n`
	});
	const api = `${empty.url}/api/sites/${site}`;
	interface Sent {
		readonly files: readonly { readonly hash: string; readonly text: string | null }[];
	}
	const [file] = ((await (await fetch(api)).json()) as Sent).files;
	expect(file?.text).toContain('#x{\n  order:1;\n  top:0\n}\n.f0{\n');
	const kept = (file?.text ?? '').replace(/\n\.f[^]*?(?=\n<)/, '');
	const reply = await fetch(`${api}/save`, {
		method: 'POST',
		headers: { 'content-type': 'application/json', origin: empty.url },
		body: JSON.stringify({ tab: 'a', files: [{ path: 'index.html', base: file?.hash, text: kept }] })
	});
	const [saved] = ((await reply.json()) as Sent).files;
	expect(text((await exported(empty, site))['index.html'])).toBe(
		'<style>#x{order:1;top:0}</style><p id=x>x</p>\n'
	);
	expect(saved?.text).toBe('<style>#x{order:1;top:0}</style><p id=x>x</p>\n');
});
