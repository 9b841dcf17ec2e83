import { bring, expect, openBench, pageFrames, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

const SAVE = `<!doctype html><meta charset=utf-8><link rel=stylesheet href=a.css>
<body><section><h2>Tides</h2><p>High at six</p><p>Low at noon</p></section><section id="sec-8f3a21" style="color: red"><h2>Fares</h2><p>Two</p></section></body>`;
const SITE = {
	'index.html': SAVE,
	'more.html': '<!doctype html><link rel=stylesheet href=a.css><section><p>Other</p></section>',
	'a.css':
		'section p { margin: 0 }\n.strip { color: green; padding-top: 5px }\n#sec-8f3a21 p { margin: 1px }\n'
};
const open = async (page: Page, server: Parameters<typeof bring>[0], at: string): Promise<number> => {
	const site = await bring(server, SITE);
	await openBench(page, server, site, `?page=index.html&file=a.css&at=${at}`);
	await page.keyboard.press('Shift+R');
	return site;
};
const panel = (page: Page) => page.getByRole('region', { name: 'What is selected' });
/** Writes what is shown over the frames. */
const writeIt = (page: Page): Promise<void> =>
	page
		.getByRole('dialog', { name: 'What would be written' })
		.getByRole('button', { name: 'Write it' })
		.click();
const row = (page: Page, selector: string) =>
	page.getByRole('row').filter({ has: page.getByRole('button', { name: selector, exact: true }) });

test('Reach tells whether a selector would win, and moves the rule at the caret a rung wider or narrower', async ({
	page,
	empty
}) => {
	await open(page, empty, '1.1.1');
	await panel(page).getByLabel('would win').fill('margin-top');
	await expect(row(page, 'p')).toContainText('would lose to a.css:3, by specificity');
	await expect(row(page, '#sec-8f3a21')).toHaveCount(0);
	await panel(page).getByLabel('would win').fill('color');
	await expect(row(page, 'p')).toContainText('✓ would win');

	await page.locator('.cm-line', { hasText: 'section p' }).getByText('margin').click();
	await expect(panel(page).locator('.move')).toContainText('section p: every one of this kind');
	await panel(page)
		.getByRole('button', { name: /^Narrower/ })
		.click();
	await expect(page.getByRole('status').filter({ hasText: 'The rule is for' })).toBeVisible();
	await expect(page.getByText('It matches 1 element here')).toBeVisible();
	await writeIt(page);
	await expect(page.locator('.cm-line').first()).toHaveText('section:nth-of-type(2) p { margin: 0 }');
	await panel(page)
		.getByRole('button', { name: /^Wider/ })
		.click();
	await writeIt(page);
	await expect(page.locator('.cm-line').first()).toHaveText('p { margin: 0 }');
	await expect(row(page, 'p').getByRole('cell').nth(1)).toHaveText('3');
});

test('a class is given to one element or to all like it: written into its tag and nowhere else', async ({
	page,
	empty
}) => {
	await open(page, empty, '1.0.1');
	const name = panel(page).getByLabel('Add a class');
	await name.fill('9x');
	await expect(panel(page)).toContainText('A class name starts with a letter');
	await name.fill('strip');
	await expect(panel(page)).toContainText(
		'No element of this page has it already, and a sheet has rules for it.'
	);
	await panel(page).getByLabel('to', { exact: true }).selectOption('section');
	await panel(page).getByRole('button', { name: 'Add to 2 elements' }).click();
	await expect(page.getByText('Adds the class strip to 2 elements.')).toBeVisible();
	await expect(page.getByText('.strip in a.css matches 2 elements, before 0.')).toBeVisible();
	for (const frame of pageFrames(page))
		await expect(frame.locator('p.strip')).toHaveText(['High at six', 'Low at noon']);
	await writeIt(page);
	await page.getByRole('tab', { name: 'index.html' }).click();
	await expect(page.locator('.cm-content')).toContainText('<p class="strip">High at six</p>');
	await expect(page.locator('.cm-content')).toContainText('<p>Two</p>');
});

test('where the markup is given a class is an errand: in the frames at once, told in words, ticked off by a newer save', async ({
	page,
	empty
}) => {
	const site = await open(page, empty, '1.1');
	await page.goto(`${empty.url}/site/${site}/site`);
	const line = page.getByRole('row').filter({ has: page.getByRole('link', { name: 'index.html' }) });
	const kept = page.waitForResponse(/kept\/given/);
	await line.getByLabel('given').check();
	await kept;
	await openBench(page, empty, site, '?page=index.html&file=index.html&at=1.1');
	await page.keyboard.press('Shift+R');
	await expect(row(page, '#sec-8f3a21')).toContainText('looks made by a tool');
	await panel(page).getByLabel('Add a class').fill('strip');
	await panel(page).getByRole('button', { name: 'Add to 1 element' }).click();
	await expect(panel(page)).toContainText('index.html is given: the frames have it');
	for (const frame of pageFrames(page)) await expect(frame.locator('section.strip')).toHaveCount(1);
	await expect(row(page, '.strip').getByRole('cell').nth(1)).toHaveText('1');
	await expect(page.locator('.cm-content')).not.toContainText('strip');
	// Given files are locked: nothing typed or replaced changes them.
	await expect(page.getByText('given: locked')).toBeVisible();
	await page.locator('.cm-content').click();
	await page.keyboard.insertText('typed');
	await expect(page.locator('.cm-content')).not.toContainText('typed');

	// It is a step like any other: its Wake is told, it is undone and redone, after a reload, too.
	const wake = page.getByRole('status', { name: 'Wake' });
	await expect(wake).toContainText('Errand added: Give section 2, “Fares”, the class strip, index.html');
	await expect(wake).toContainText('follow, 240–2560');
	await page.keyboard.press('Control+z');
	await expect(wake).toContainText('Undone: Errand added');
	for (const frame of pageFrames(page)) await expect(frame.locator('section.strip')).toHaveCount(0);
	await wake.getByRole('button', { name: 'Redo' }).click();
	for (const frame of pageFrames(page)) await expect(frame.locator('section.strip')).toHaveCount(1);
	await page.reload();
	for (const frame of pageFrames(page)) await expect(frame.locator('section.strip')).toHaveCount(1);
	for (const [keys, count] of [
		['Control+z', 0],
		['Control+Shift+Z', 1]
	] as const) {
		await page.keyboard.press(keys);
		for (const frame of pageFrames(page)) await expect(frame.locator('section.strip')).toHaveCount(count);
	}
	await page.getByRole('link', { name: 'Site' }).click();
	const errand = page.getByRole('listitem').filter({ hasText: 'the class strip' });
	await expect(errand).toContainText('○ index.html: Give section 2, “Fares”, the class strip.');
	await expect(errand).toContainText('for a.css:2');

	const newer = SAVE.replace('id="sec-8f3a21"', 'id="sec-11bc90" class="strip"');
	await line.getByLabel('Newer save of index.html').setInputFiles({
		name: 'index.html',
		mimeType: 'text/html',
		buffer: Buffer.from(newer)
	});
	await expect(page.getByText('It proves unsteady: the id sec-8f3a21. One errand is done.')).toBeVisible();
	await expect(errand).toContainText('✓ index.html');

	await openBench(page, empty, site, '?page=index.html&at=1.1');
	for (const frame of pageFrames(page)) await expect(frame.locator('#sec-11bc90.strip')).toHaveCount(1);
	await page.keyboard.press('Shift+R');
	await expect(row(page, '.strip').getByRole('cell').nth(1)).toHaveText('1');
});

test('a given sheet is locked, its classes are marked in Reach, and a newer save is read in its own encoding', async ({
	page,
	empty
}) => {
	const site = await bring(empty, {
		'index.html':
			'<!doctype html><link rel="stylesheet" href="host.css"><link rel="stylesheet" href="own.css"><p class="from-host">x',
		'host.css': '.from-host { color: red }\n',
		'own.css': 'p { color: blue }\n'
	});
	await page.goto(`${empty.url}/site/${site}/site`);
	const kept = page.waitForResponse(/kept\/given/);
	await page.getByLabel('host.css is given').check();
	await kept;
	await page.getByLabel('Newer save of index.html').setInputFiles({
		name: 'index.html',
		mimeType: 'text/html',
		buffer: Buffer.from(
			'<!doctype html><meta charset="iso-8859-1"><link rel="stylesheet" href="host.css"><link rel="stylesheet" href="own.css"><p class="from-host">S\u00fcd\r\n',
			'latin1'
		)
	});
	await expect(page.getByText('A newer save of index.html is in its place')).toBeVisible();

	await openBench(page, empty, site, '?page=index.html&file=own.css&at=1.0');
	for (const frame of pageFrames(page)) await expect(frame.locator('p')).toHaveText('S\u00fcd');
	await page.keyboard.press('Shift+R');
	await expect(row(page, '.from-host')).toContainText('it belongs to host.css, which is given');
	await page.keyboard.press('a');
	await page.getByLabel('Find', { exact: true }).fill('color');
	await page.getByLabel('Replace with').fill('outline-color');
	await page.getByRole('button', { name: /^Replace/ }).click();
	await expect(page.getByRole('dialog')).toContainText(
		'1 place replaced in 1 file; nothing is saved yet. 1 given file left alone.'
	);
});

test('where the markup is given every other change of it is an errand too: in the frames at once, places still found', async ({
	page,
	empty
}) => {
	const site = await bring(empty, {
		...SITE,
		'index.html': SAVE.replace('<p>Two</p>', '<p>Two</p><style>\n.x { top: 1px }\n.y { margin: 1px }</style>')
	});
	await page.goto(`${empty.url}/site/${site}/site`);
	const kept = page.waitForResponse(/kept\/given/);
	await page.getByLabel('index.html is given').check();
	await kept;
	await openBench(page, empty, site, '?page=index.html&file=a.css&at=1.0.1');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+I');
	const markup = page.getByRole('tabpanel', { name: 'Markup' });
	const words = (): Promise<string[]> =>
		pageFrames(page)[0]?.locator('p').allTextContents() ?? Promise.resolve([]);
	await markup.getByLabel('HTML to add').fill('</section>');
	await markup.getByRole('button', { name: 'Add', exact: true }).click();
	await expect(page.getByText('This HTML closes the section')).toBeVisible();
	await markup.getByRole('button', { name: 'Later', exact: true }).click();
	await expect(markup).toContainText('the frames have it, and the Site screen lists the errand.');
	expect(await settled(page, words)).toEqual(['Low at noon', 'High at six', 'Two']);
	await openBench(page, empty, site, '?page=index.html&file=a.css&at=1.1.1');
	await page.keyboard.press('Shift+I');
	await markup.getByLabel('Tag to wrap it into').fill('div');
	await markup.getByLabel('Class of that tag').fill('y');
	await markup.getByRole('button', { name: 'Wrap', exact: true }).click();
	for (const frame of pageFrames(page)) await expect(frame.locator('div.y > p')).toHaveText('Two');

	// A place of the page’s own style element is found in the file, though the frames have more before it.
	await openBench(page, empty, site, '?page=index.html&file=a.css&at=1.1.1');
	await expect(page.locator('.name b')).toHaveText('div.y');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('r');
	await expect(page.getByRole('tab', { name: 'index.html' })).toHaveAttribute('aria-selected', 'true');
	await expect(page.locator('.cm-activeLine')).toContainText('.y { margin: 1px }');
	await expect(page.locator('.cm-content')).not.toContainText('div class="y"');

	await page.getByRole('link', { name: 'Site' }).click();
	await expect(page.getByRole('listitem').filter({ hasText: 'its neighbour' })).toContainText(
		'○ index.html: In section 1, “Tides”, move the paragraph “High at six” (p 1 of 2 there) after its neighbour.'
	);
	await expect(page.getByRole('listitem').filter({ hasText: 'around' })).toContainText(
		'In section 2, “Fares”, put a div of the class y around the paragraph “Two”.'
	);
});
