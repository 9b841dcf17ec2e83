import { bring, expect, openBench, pageFrames, shownText, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

const FILES = {
	'index.html':
		'<!doctype html><link rel="stylesheet" href="css/a.css"><link rel="stylesheet" href="b.css"><p class="x">one <b>two</b>',
	'other.html': '<!doctype html><link rel="stylesheet" href="b.css"><p class="x">three',
	'css/a.css':
		'.x { color: #0a7; background: url("sea.png"); }\n\n@media (min-width: 700px) {\n\t.x { top: 1px; left: 2px; }\n}\n\nb { color: #0a7; }\n\n@media (width >= 700px) {\n\tb { top: 3px; }\n}\n',
	'b.css': 'p { color: #0a7; }\n'
};

/** Puts the caret before some words of the sheet, and opens the panel of what can be done there. */
async function at(page: Page, words: string): Promise<void> {
	// An editor that has just received the focus may still restore its own selection: then it is set again.
	await expect(async () => {
		await page.locator('.cm-content').focus();
		await page
			.locator('.cm-line', { hasText: words })
			.first()
			.evaluate((line, sought) => {
				const texts = document.createTreeWalker(line, NodeFilter.SHOW_TEXT);
				let left = line.textContent.indexOf(sought);
				for (
					let node = texts.nextNode();
					node;
					left -= node.textContent?.length ?? 0, node = texts.nextNode()
				)
					if (left < (node.textContent?.length ?? 0)) return getSelection()?.collapse(node, left);
			}, words);
		await expect(page.locator('.cm-activeLine')).toContainText(words, { timeout: 2000 });
	}).toPass();
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+A');
	await expect(page.getByRole('dialog', { name: 'Arrange the rules at the caret' })).toBeVisible();
}
const proposed = (page: Page) => page.getByRole('dialog', { name: 'What would be written' });
const colour = (page: Page) =>
	pageFrames(page)[0]?.evaluate(() => getComputedStyle(document.querySelector('.x') as Element).color);

test('rules at the caret are parted, joined, commented and carried, each shown before it is written', async ({
	page,
	server
}) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html&file=css/a.css');
	await at(page, 'left');
	await page.getByRole('button', { name: 'Split its block here' }).click();
	await expect(proposed(page)).toContainText('.x { left: 2px; }');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain(
		'\t.x { top: 1px; }\n\n\t.x { left: 2px; }\n}'
	);
	await at(page, 'b {');
	await page.getByLabel('Comment over it').fill('bold at sea');
	await page.keyboard.press('Enter');
	await proposed(page).getByRole('button', { name: 'Write it' }).click();
	expect(await settled(page, () => shownText(page))).toContain('/* bold at sea */\nb { color');
	await at(page, '@media (width');
	await page.getByRole('button', { name: 'Merge matching blocks' }).click();
	await expect(proposed(page)).toContainText('2 blocks of one kind become one');
	await expect(proposed(page)).toContainText('1 block of other kinds between them');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toMatch(
		/b \{ color: #0a7; \}\n\n@media \(width >= 700px\) \{\n\t\.x \{ top: 1px; \}[^@]*\tb \{ top: 3px; \}\n\}\n$/
	);

	// Into another file and folder: its picture is still found from there, and one undo restores both files.
	await at(page, 'color');
	await page.getByRole('button', { name: 'Move' }).first().click();
	await expect(proposed(page)).toContainText('It reaches 2 pages: index.html, other.html.');
	await page.keyboard.press('Enter');
	await page.getByRole('tab', { name: /b.css/ }).click();
	expect(await settled(page, () => shownText(page))).toContain(
		'.x { color: #0a7; background: url("css/sea.png"); }'
	);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+z');
	expect(await settled(page, () => shownText(page))).toBe('p { color: #0a7; }\n');
	await page.getByRole('tab', { name: /a.css/ }).click();
	expect(await settled(page, () => shownText(page))).toContain(
		'.x { color: #0a7; background: url("sea.png"); }'
	);

	// A band is split in all of its rules; what is in force stays the same.
	await at(page, 'color');
	await page.getByLabel('Split the band at, px').fill('850');
	await page.keyboard.press('Enter');
	await expect(proposed(page)).toContainText('The band 700– is two, parted at 850: 1 block with a copy.');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toMatch(
		/@media \(width >= 850px\) \{\n\t\.x \{ top: 1px; \}/
	);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+z');

	await at(page, 'color');
	await page.getByLabel('Into the layer').fill('not a layer');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('alert')).toContainText('"not a layer" is no name of a layer');
	await page.getByLabel('Into the layer').fill('look');
	await page.keyboard.press('Enter');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('@layer look {\n\t.x { color: #0a7;');
});

test('a value gets a name wherever it is known, and goes back', async ({ page, server }) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html&file=css/a.css');
	const before = await shownText(page);
	await at(page, 'color');
	await page.getByLabel('#0a7 everywhere as').fill('--sea');
	await page.keyboard.press('Enter');
	// Not in b.css, which another page uses without this file.
	await expect(proposed(page)).toContainText('#0a7 is --sea, in 2 places.');
	await expect(proposed(page)).toContainText(':root { --sea: #0a7; }');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('b { color: var(--sea); }');
	expect(await settled(page, () => colour(page))).toBe('rgb(0, 170, 119)');
	await at(page, 'color: var');
	await page.getByRole('button', { name: 'Back to its value' }).click();
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toBe(before);
});

test('a long sheet is typed in while it is asked what is to be done there', async ({ page, server }) => {
	const site = await bring(server, {
		...FILES,
		'b.css': `p { color: #0a7; }\n/* ${'long '.repeat(10_000)}*/\n`
	});
	await openBench(page, server, site, '?page=index.html&file=b.css');
	await at(page, 'color');
	await page.locator('.cm-content').focus();
	await page.keyboard.press('Control+End');
	await page.keyboard.type('q, ');
	await expect(page.getByLabel('#0a7 everywhere as')).toBeVisible();
	expect(await settled(page, () => shownText(page))).toMatch(/\nq, $/);
	await expect(page.getByLabel('#0a7 everywhere as')).toBeVisible();
	// Before it, too: it is still of the same rule.
	await page.keyboard.press('Control+Home');
	await page.keyboard.insertText('i { top: 0; left: 0; bottom: 0 }\n');
	expect(await settled(page, () => shownText(page))).toMatch(/^i \{ top/);
	await expect(page.getByLabel('#0a7 everywhere as')).toBeVisible();
});

test('breakpoints are brought together, joined, named and closed; one block’s end goes alone', async ({
	page,
	server
}) => {
	const text = [
		'@media (max-width: 700px) { p { top: 1px } }',
		'@media (min-width: 700px) { p { top: 2px } }',
		'@media (min-width: 720px) { p { top: 3px } }',
		'@media (min-width: 900px) { p { top: 4px } }',
		''
	].join('\n');
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel="stylesheet" href="a.css"><p>x',
		'a.css': text
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.getByRole('button', { name: /^Both halves of a breakpoint hold at/ }).click();
	await expect(proposed(page)).toContainText('One half holds at 700: 1 place.');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('(max-width: 699.98px)');

	const number = page.getByRole('button', { name: /^Threshold 699.98/ });
	const of = (at: string) => page.getByRole('group', { name: `Breakpoint ${at}` });
	await number.focus();
	await of('700').getByRole('button', { name: 'Bring together at 700' }).click();
	await expect(proposed(page)).toContainText('What changes at 720 changes at 700: 1 place.');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('(min-width: 700px) { p { top: 3px }');
	await page.getByRole('button', { name: /^Threshold 699.98/ }).focus();
	await of('700').getByLabel('Name of 700').fill('quay');
	await page.keyboard.press('Enter');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('(max-width: 699.98px /* quay */)');
	expect(await settled(page, () => shownText(page))).toContain(
		'(min-width: 700px /* quay */) { p { top: 3px }'
	);
	await page.getByRole('button', { name: 'Threshold 900' }).focus();
	await of('900').getByRole('button', { name: '700', exact: true }).click();
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('(min-width: 700px) { p { top: 4px }');

	// The end of the first bar: only this block, snapping to other thresholds.
	const bar = page.getByTitle('in force: ≤699.98').first();
	const stretch = await bar.locator('i').boundingBox();
	if (!stretch) throw new Error('The bar is not shown.');
	const [x, y] = [stretch.x + stretch.width, stretch.y + 2];
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.mouse.move(x - 8, y, { steps: 4 });
	await page.mouse.up();
	const card = page.getByRole('dialog', { name: 'A block’s threshold moves' });
	await expect(card).toContainText('this block alone: 1 place in 1 file');
	await card.getByLabel('Width of the threshold, px').fill('600');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('(max-width: 599.98px /* quay */)');
	expect(await settled(page, () => shownText(page))).toContain('(min-width: 700px /* quay */)');
});

test('a rule is moved among its neighbours, further while it is shown, and the caret goes with it', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel="stylesheet" href="a.css"><p class="x">one',
		'a.css': '.x { color: red; }\n\n/* The second. */\np.x { top: 0; }\n\n.x { color: blue; }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.locator('.cm-line', { hasText: 'red' }).click();
	await page.keyboard.press('Alt+PageUp');
	await expect(page.getByText('There is no rule there to change places with.')).toBeVisible();
	await page.keyboard.press('Alt+PageDown');
	await expect(proposed(page)).toContainText('The rule goes 1 place down, with its comment.');
	await page.keyboard.press('Alt+PageDown');
	await expect(proposed(page)).toContainText('The rule goes 2 places down');
	expect(await settled(page, () => colour(page))).toBe('rgb(255, 0, 0)');
	await page.keyboard.press('Escape');
	expect(await settled(page, () => colour(page))).toBe('rgb(0, 0, 255)');
	await page.keyboard.press('Alt+PageDown');
	await expect(proposed(page)).toBeVisible();
	await page.keyboard.press('Alt+PageDown');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toBe(
		'/* The second. */\np.x { top: 0; }\n\n.x { color: blue; }\n\n.x { color: red; }\n'
	);
	await expect(page.locator('.cm-activeLine')).toContainText('red');
});
