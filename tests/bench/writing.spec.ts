import { bring, clickIn, expect, openBench, pageFrames, test, toLine, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

const CSS = `.a { width: 100px; opacity: .5 }

/* Wide. */
.b { color: red }
@media (width >= 700px) {
	.a { width: 300px }
}
@media (width < 500px) and (width > 700px) { .a { width: 5px } }
@media (width >= 700px) { .b { order: 1 } }
`;

const site = (server: Parameters<typeof bring>[0]): Promise<number> =>
	bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p class=a>a</p><p class=b>b</p>',
		'a.css': CSS
	});

const lines = (page: Page) => page.locator('.cm-line');
const textOf = (page: Page) =>
	page.locator('.cm-line').evaluateAll((all) =>
		all
			.map((line) => {
				const copy = line.cloneNode(true) as HTMLElement;
				copy.querySelectorAll('.cm-said, .cm-note, .cm-dele').forEach((one) => one.remove());
				return copy.textContent;
			})
			.join('\n')
	);

/** Puts the caret after a text in a line of the sheet. */
async function caretAfter(page: Page, line: number, text: string): Promise<void> {
	await lines(page).nth(line).click();
	await page.keyboard.press('Home');
	const whole = (await lines(page).nth(line).textContent()) ?? '';
	// Home goes to the first letter of a line.
	const steps = whole.trimStart().indexOf(text) + text.length;
	for (let i = 0; i < steps; i++) await page.keyboard.press('ArrowRight');
}

test('a number is nudged by keys and pointer, frames follow, and Escape puts it back', async ({
	page,
	server
}) => {
	await openBench(page, server, await site(server));
	const width = () =>
		pageFrames(page)[1]
			?.locator('.a')
			.evaluate((element) => element.getBoundingClientRect().width);
	await caretAfter(page, 0, 'width: 10');
	await page.keyboard.press('Alt+ArrowUp');
	await page.keyboard.press('Shift+Alt+ArrowUp');
	await page.keyboard.press('Control+Alt+ArrowDown');
	await expect(lines(page).first()).toContainText('width: 110.9px');
	expect(await settled(page, width)).toBeCloseTo(110.9, 1);
	await page.keyboard.press('Escape');
	await expect(lines(page).first()).toContainText('width: 100px');
	expect(await settled(page, width)).toBe(100);

	const [x, y] = await lines(page)
		.first()
		.evaluate((line) => {
			const walker = document.createTreeWalker(line, NodeFilter.SHOW_TEXT);
			while (walker.nextNode() && !walker.currentNode.textContent?.includes('100'));
			const range = document.createRange();
			range.setStart(walker.currentNode, walker.currentNode.textContent?.indexOf('100') ?? 0);
			range.setEnd(walker.currentNode, range.startOffset + 1);
			const box = range.getBoundingClientRect();
			return [box.right, box.top + box.height / 2] as const;
		});
	await page.keyboard.down('Alt');
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.mouse.move(x + 60, y, { steps: 5 });
	await page.mouse.up();
	await page.keyboard.up('Alt');
	await expect(lines(page).first()).toContainText('width: 115px');

	// Outside of numbers the editor moves the line.
	await caretAfter(page, 3, '.b');
	await page.keyboard.press('Alt+ArrowUp');
	await expect(lines(page).nth(2)).toContainText('.b { color: red }');
});

test('conditions say what they come to, for the lead as it is', async ({ page, server }) => {
	await openBench(page, server, await site(server));
	await expect(page.locator('.cm-said')).toHaveText([
		'≥700',
		'never: its parts exclude each other',
		'≥700, same as line 5'
	]);
	await expect(page.locator('.cm-said-never')).toHaveCount(1);
});

test('rules are wrapped into a condition in the sheet’s own hand, undone as one step, and unwrapped', async ({
	page,
	server
}) => {
	await openBench(page, server, await site(server));
	await caretAfter(page, 3, '.b');
	await page.getByText('Wrap', { exact: true }).click();
	await page.getByRole('button', { name: '<700', exact: true }).first().click();
	// Shown, and tried in the frames, before it is written.
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await expect(card).toContainText('The selected rules hold <700 alone.');
	expect(await textOf(page)).toBe(CSS);
	await page.keyboard.press('Enter');
	const wrapped = CSS.replace(
		'/* Wide. */\n.b { color: red }',
		'@media (width < 700px) {\n\t/* Wide. */\n\t.b { color: red }\n}'
	);
	expect(await settled(page, () => textOf(page))).toBe(wrapped);
	await expect(pageFrames(page)[0]?.locator('.b') ?? page.locator('none')).toHaveCSS('color', 'rgb(0, 0, 0)');
	await expect(pageFrames(page)[1]?.locator('.b') ?? page.locator('none')).toHaveCSS(
		'color',
		'rgb(255, 0, 0)'
	);
	await page.getByRole('button', { name: 'Unwrap' }).click();
	await expect(card).toBeVisible();
	await page.keyboard.press('Enter');
	expect(await settled(page, () => textOf(page))).toBe(CSS);
	await lines(page).first().click();
	await page.keyboard.press('Control+z');
	expect(await settled(page, () => textOf(page))).toBe(wrapped);

	await caretAfter(page, 0, '.a');
	await page.getByText('Wrap', { exact: true }).click();
	await page.getByLabel('use a following block with the same condition').check();
	await page.getByRole('button', { name: '≥700', exact: true }).first().click();
	await expect(card).toBeVisible();
	await page.keyboard.press('Enter');
	expect(await settled(page, () => textOf(page))).toMatch(/\n\t\.a \{ width: 100px; opacity: \.5 \}\n\}\n$/);
});

test('every key is in one list, acts by a click there, and single letters can be switched off', async ({
	page,
	server
}) => {
	await openBench(page, server, await site(server));
	const carriage = page.getByRole('slider', { name: 'Carriage' });
	const before = Number(await carriage.getAttribute('aria-valuenow'));
	await page.keyboard.press('?');
	await page.getByRole('button', { name: '10 px wider' }).click();
	await expect(carriage).toHaveAttribute('aria-valuenow', String(before + 10));
	await page.keyboard.press('?');
	await page.keyboard.press('n');
	await page.getByLabel('Single letters and digits act as keys').uncheck();
	await page.keyboard.press('Escape');
	await page.keyboard.press('n');
	await expect(carriage).toHaveAttribute('aria-valuenow', String(before + 10));
	await page.getByRole('button', { name: 'Keys' }).click();
	await page.getByLabel('Single letters and digits act as keys').check();
	await page.keyboard.press('Escape');
	await page.keyboard.press('n');
	await expect(carriage).toHaveAttribute('aria-valuenow', String(before + 9));
});

test('switches change every frame, are named while on, and go off with one key', async ({ page, server }) => {
	await openBench(page, server, await site(server));
	const size = () =>
		pageFrames(page)[1]?.evaluate(() => [getComputedStyle(document.body).fontSize, innerWidth, document.dir]);
	await page.getByText('Switches').click();
	await page.getByRole('radio', { name: '24', exact: true }).check();
	await page.getByRole('radio', { name: '200 %' }).check();
	await page.getByLabel('right to left').check();
	await expect(page.getByText('text 24 px · zoom 200 % · right to left')).toBeVisible();
	expect(await settled(page, size)).toEqual(['24px', 200, 'rtl']);
	await page.keyboard.press('Escape');
	await page
		.locator('.frames')
		.first()
		.click({ position: { x: 5, y: 5 } });
	await page.keyboard.press('x');
	expect(await settled(page, size)).toEqual(['16px', 400, '']);
	await expect(page.getByText('zoom 200 %', { exact: false })).toHaveCount(0);
});

test('completion knows the grammar, the page and its sheets; hovering tells px in every vantage', async ({
	page,
	server
}) => {
	const own = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><p class="lead note" id=first>a</p><style>\n</style>',
		'a.css': ':root { --gap: 12px }\n@media (width >= 700px) { p { margin: clamp(10px, 5vw, 40px) } }\n',
		'b.css': 'h1, h2 { gap: 20px }\nh3 { row-gap: 20px }\n'
	});
	await openBench(page, server, own);
	const offered = page.locator('.cm-tooltip-autocomplete li');
	await lines(page).last().click();
	const offers = async (typed: string, ...labels: string[]): Promise<void> => {
		await page.keyboard.type(typed);
		await expect(offered.first()).toBeVisible();
		for (const label of labels) await expect(offered.filter({ hasText: label }).first()).toBeVisible();
		await page.keyboard.press('Escape');
	};
	await offers('.', 'lead', 'note');
	await offers('lead { flex-dir', 'flex-direction');
	await offers('ection: ', 'row', 'column-reverse');
	await expect(offered).toHaveCount(0);
	await offers('row; gap: ', 'var(--gap)12px', '20px2 ×');
	await offers('1v', '1vw', '1vh');
	await page.keyboard.type('w');
	await expect(offered).toHaveCount(0);
	await page.keyboard.type(' } @media ');
	await offers('(', '(width >= 700px)in use here');
	await page.getByRole('tab', { name: 'index.html' }).click();
	await lines(page).nth(0).click();
	await toLine(page, 'End');
	await offers('#', 'first');
	await lines(page).last().click();
	await toLine(page, 'End');
	await offers('<b class="', 'lead', 'note');

	await page.getByRole('tab', { name: 'a.css' }).click();
	await page.getByText('5vw', { exact: false }).last().hover();
	await page.locator('.cm-line').nth(1).getByText('clamp').hover();
	await expect(page.locator('.cm-hovered')).toContainText('Pocket 320: 16 px');
	await expect(page.locator('.cm-hovered')).toContainText('Notebook 1300: 40 px');
	await expect(page.locator('.cm-hovered')).toContainText(
		'stays constant under 200, grows by 5 px a 100 px up to 800, stays constant from 800'
	);
});

test('what an engine does not take is said at its line, with the nearest that it takes', async ({
	page,
	server
}) => {
	await openBench(page, server, await site(server));
	await lines(page).last().click();
	await page.keyboard.insertText('.c { colr: red; display: flxe; margin: 3 }');
	const notes = page.locator('.cm-note');
	await expect(notes).toHaveText([
		'There is no property `colr`; the nearest is `color`.',
		'`display` does not take `flxe`; the nearest is `flex`.',
		'`3` wants a unit: `3px`?'
	]);
});

test('hovering a property says what it is for, a selector what it hits; a page’s own slips are said at their lines', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css>\n<main>\n<p class=x>one<p class="x">two\n<section>\n</main>\n<i id="a"></i><b id="a"></b>',
		'other.html': '<link rel=stylesheet href=a.css><p class=x>1<p class=x>2<p class=x>3',
		'without.html': '<p class=x>no such sheet',
		'a.css': 'p.x {\n  order: 2;\n  & + p { color: red }\n}\n'
	});
	await openBench(page, server, site, '?page=index.html');
	const line = (n: number) => page.locator('.cm-line').nth(n - 1);
	const hovered = page.locator('.cm-hovered');
	await line(3).hover({ position: { x: 24, y: 8 } });
	await expect(hovered).toContainText('matches 1 element on this page');
	await page.mouse.move(700, 20);
	await expect(hovered).toHaveCount(0);
	await line(2).locator('span', { hasText: 'order' }).hover();
	await expect(hovered).toContainText('order: Moves a child among its siblings as painted');
	await page.mouse.move(700, 20);
	await expect(hovered).toHaveCount(0);
	await line(1).hover({ position: { x: 8, y: 8 } });
	await expect(hovered).toContainText('matches 2 elements on this page');
	await expect(hovered).toContainText('on other pages: other.html 3');
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+Home');
	await page.keyboard.insertText('main .x.y { top: 0 }\nmain > b {}\n');
	await page.mouse.move(700, 20);
	await expect(hovered).toHaveCount(0);
	await line(2).hover({ position: { x: 8, y: 8 } });
	await expect(hovered).toContainText('matches 0 elements on this page');
	await expect(hovered).toContainText('main would match 1 element: the part before > b');
	await page.keyboard.press('Control+z');
	await page.mouse.move(700, 20);
	await expect(hovered).toHaveCount(0);

	await page.getByRole('tab', { name: 'index.html' }).click();
	await expect(line(3).locator('.cm-note')).toContainText('The value of `class` stands without quotes');
	await expect(line(4).locator('.cm-note')).toContainText('<section> is not closed');
	await expect(line(6).locator('.cm-note')).toContainText('The id `a` is on line 6 too');
});

test('rules are gone to, moved with their comments and folded by what is in force; all files are searched', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=b.css><link rel=stylesheet href=a.css><p class="x">one</p>',
		'a.css':
			'/* first */\n.x { color: var(--c) }\n@media (width < 300px) {\n  .x { color: red }\n}\np { margin: 0 }\n',
		'b.css': ':root { --c: #123; }\n.x { top: 0 }\n'
	});
	await openBench(page, server, site, '?page=index.html');
	const text = () =>
		page
			.locator('.cm-content')
			.evaluate((content) =>
				[...content.querySelectorAll('.cm-line')].map((line) => line.textContent).join('\n')
			);
	const active = page.locator('.cm-activeLine');
	const [lead] = pageFrames(page);
	if (!lead) throw new Error('There is no lead.');
	await clickIn(page, 'Carriage', lead, 'p');
	await page.keyboard.press('r');
	await expect(active).toContainText('p { margin: 0 }');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('r');
	await expect(active).toContainText('.x { color: var(--c) }');

	// Rules not in force are skipped.
	await page.keyboard.press('Alt+.');
	await expect(active).toContainText('p { margin: 0 }');
	await page.keyboard.press('Alt+.');
	await expect(active).toContainText('.x { color: var(--c) }');
	await page.keyboard.press('Alt+PageDown');
	await expect(page.getByRole('dialog', { name: 'What would be written' })).toBeVisible();
	await page.keyboard.press('Enter');
	expect(await settled(page, text)).toMatch(/^@media[\s\S]*\}\n\/\* first \*\/\n\.x \{/);
	await page.keyboard.press('Control+z');
	expect(await settled(page, text)).toMatch(/^\/\* first \*\//);
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('q');
	await expect(page.locator('details[open] .stretches button').first()).toBeFocused();
	await page.keyboard.press('Escape');
	await expect(page.getByText('Wrap', { exact: true })).toBeFocused();
	await page.getByText('Go', { exact: true }).click();
	await page.getByRole('button', { name: 'Fold what is not in force here' }).click();
	await expect(page.locator('.cm-foldPlaceholder')).toHaveCount(1);
	await page.locator('.cm-line', { hasText: 'var(--c)' }).getByText('--c').click();
	await page.keyboard.press('Alt+Enter');
	await expect(active).toContainText('--c: #123;');

	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('a');
	await page.getByLabel('Find').fill('.x {');
	await page.getByLabel('Replace with').fill('.y {');
	await expect(page.getByText('3 places in 2 files')).toBeVisible();
	await page.getByRole('button', { name: 'Replace all' }).click();
	await expect(page.getByText('3 places replaced in 2 files')).toBeVisible();
	expect(await settled(page, text)).toContain('.y { top: 0 }');
	await page.getByRole('dialog').getByRole('button', { name: 'Undo' }).click();
	expect(await settled(page, text)).toContain('.x { top: 0 }');
});

test('a search that cannot be read, or does not end, is said, and the next one finds', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p>x',
		'a.css': `/* ${'a'.repeat(64)} */\np { top: 0 }\n`
	});
	await openBench(page, server, site);
	await page.keyboard.press('a');
	const words = page.getByLabel('Find', { exact: true });
	await words.fill('P {');
	await expect(page.getByText('1 place in 1 file')).toBeVisible();
	await page.getByLabel('match case').check();
	await expect(page.getByText('0 places in 0 files')).toBeVisible();
	await page.getByLabel('regular expression').check();
	await expect(page.getByRole('dialog').getByRole('alert')).toContainText('This is no regular expression');
	await words.fill('(a+)+!');
	await expect(page.getByRole('dialog').getByRole('alert')).toContainText('takes too long');
	await words.fill('^p|t.p');
	await expect(page.getByText('3 places in 2 files')).toBeVisible();
	await expect(page.getByRole('dialog').getByRole('alert')).toHaveCount(0);
	// A search that does not end is abandoned for the next one, which does not wait for it.
	await words.fill('(a+)+!');
	await words.fill('^p|t.p');
	await expect(page.getByText('3 places in 2 files')).toBeVisible();
	await expect(page.getByRole('dialog').getByRole('alert')).toHaveCount(0);
});

test('what not every engine has had for as long as the site asks is said at its line', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p>x</p>',
		'a.css': 'p { gap: 1px }\np { field-sizing: content }\n'
	});
	await page.goto(`${server.url}/site/${site}/site`);
	await page
		.getByLabel('Warn about features that not every engine has supported')
		.selectOption('for five years');
	await page.getByRole('link', { name: 'Bench' }).first().click();
	const line = (n: number) => page.locator('.cm-line').nth(n - 1);
	await expect(line(2).locator('.cm-note').first()).toContainText('`field-sizing` is');
	await expect(line(1).locator('.cm-note')).toHaveCount(0);
});
