import { bring, expect, openBench, pageFrames, shownText, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

const SHEET = `.card {
  padding: 10px;
  color: black;
}

@media (width >= 700px) {
  .card {
    padding: 20px;
  }
}

@media (width >= 1000px) {
  .card {
    color: black;
    padding: 30px;
  }
}
`;

const FILES = {
	'index.html':
		'<!doctype html><link rel=stylesheet href=a.css><body><div class=card id=one>one<i>a</i> <b>b</b></div><div class=card style="margin-top: 4px">two</div>',
	'other.html': '<!doctype html><link rel=stylesheet href=a.css><p class=card>three',
	'a.css': SHEET
};

const cell = (page: Page, name: string, column: string) =>
	page.getByRole('button', { name: new RegExp(`^${name}, ${column}: `) });
const field = (page: Page, name: string, column: string) =>
	page.getByRole('combobox', { name: `${name}, ${column}`, exact: true });
const into = (page: Page) => page.locator('.into');
const over = (page: Page) => into(page).getByRole('combobox', { name: 'over' });

/** Sends a value to the rule of its class, which matches others too. */
async function toCard(page: Page): Promise<void> {
	const wider = into(page).locator('.wider');
	await expect(wider).toHaveText('or .card in a.css also matches 1 here, 1 on 1 other page');
	await wider.getByRole('button').click();
}

const padding = (page: Page) =>
	pageFrames(page)[0]
		?.locator('#one')
		.evaluate((one) => getComputedStyle(one).paddingTop);

async function open(page: Page, server: Parameters<typeof bring>[0], query = '&at=1.0'): Promise<void> {
	const site = await bring(server, FILES);
	await openBench(page, server, site, `?page=index.html&file=a.css${query}`);
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+C');
}

test('a column a band: what goes on, what differs, what is redundant; several bands are one until parted', async ({
	page,
	server
}) => {
	await open(page, server);
	await expect(page.getByRole('columnheader').filter({ hasText: /^[A-Z]/ })).toHaveText([
		/^A\s*<700/,
		/^B\s*700–<1000/,
		/^C\s*≥1000/
	]);
	await expect(cell(page, 'padding', 'A')).toContainText('10px :2');
	await expect(cell(page, 'padding', 'B')).toContainText('≠ 20px :8');
	await expect(cell(page, 'color', 'B')).toHaveAccessibleName('color, B: black, as to the left');
	await expect(cell(page, 'color', 'C')).toContainText('redundant');
	// What layout gives: the box in each band, and in which order its children stand.
	const laid = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'box, px' }) });
	await expect(laid.getByRole('gridcell').first()).toHaveText(/^\d+ × \d/);
	const reads = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'reads' }) });
	await expect(reads.getByRole('gridcell').first()).toHaveText('i, b');

	await page.getByRole('button', { name: 'Remove 1 redundant declaration' }).click();
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await expect(card).toContainText('color: black;');
	expect(await shownText(page)).toBe(SHEET);
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toBe(
		SHEET.replace('    color: black;\n    padding: 30', '    padding: 30')
	);
	await page.getByLabel('Property to have a row').fill('gap');
	await page.keyboard.press('Enter');
	await expect(cell(page, 'gap', 'A')).toHaveAccessibleName('gap, A: not set');
});

test('a value is tried in all frames and goes into its band alone; Escape discards it, one undo takes it back', async ({
	page,
	server
}) => {
	await open(page, server);
	await cell(page, 'padding', 'B').click();
	await toCard(page);
	await expect(into(page).locator('strong')).toHaveText('also matches 1 here, 1 on 1 other page');
	await expect(over(page)).toHaveValue('up');
	await field(page, 'padding', 'B').fill('44px');
	expect(await settled(page, () => padding(page))).toBe('44px');
	await expect(into(page)).toContainText('changes 700–<1000');
	expect(await shownText(page)).toBe(SHEET);
	await page.keyboard.press('Escape');
	expect(await settled(page, () => padding(page))).toBe('20px');
	await expect(cell(page, 'padding', 'B')).toBeFocused();

	// Here only: the same selector, in a block of its own for that band, before the wider one.
	await page.keyboard.press('Enter');
	await toCard(page);
	await field(page, 'padding', 'B').fill('44px');
	await page.keyboard.press('ArrowUp');
	await over(page).selectOption('here only');
	await expect(into(page)).toContainText('@media (700px <= width < 1000px) {');
	await field(page, 'padding', 'B').press('Enter');
	const written = SHEET.replace(
		'@media (width >= 1000px)',
		'@media (700px <= width < 1000px) {\n  .card {\n    padding: 45px;\n  }\n}\n\n@media (width >= 1000px)'
	);
	expect(await settled(page, () => shownText(page))).toBe(written);
	await expect(cell(page, 'padding', 'B')).toContainText('45px');
	expect(await settled(page, () => padding(page))).toBe('45px');

	// Everywhere: overrides are removed.
	await cell(page, 'padding', 'A').click();
	await toCard(page);
	await over(page).selectOption('everywhere');
	await field(page, 'padding', 'A').fill('7px');
	await field(page, 'padding', 'A').press('Enter');
	expect(await settled(page, () => shownText(page))).toBe(
		'.card {\n  padding: 7px;\n  color: black;\n}\n\n@media (width >= 1000px) {\n  .card {\n    color: black;\n  }\n}\n'
	);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+z');
	expect(await settled(page, () => shownText(page))).toBe(written);

	// An override is removed together with the block that contained only it.
	await expect(cell(page, 'padding', 'B')).toContainText('45px');
	await cell(page, 'padding', 'B').focus();
	await page.keyboard.press('Delete');
	expect(await settled(page, () => shownText(page))).toBe(SHEET);
});

test('a value goes to what matches nothing else, beside the rules that match it; file and place are chosen', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		...FILES,
		'index.html': FILES['index.html'].replace('<body>', '<link rel=stylesheet href=b.css><body>'),
		'b.css': 'b { top: 0 }\n\ni { top: 0 }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=b.css&at=1.0');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+C');
	const input = page.locator('input.field');
	const write = async (property: string, value: string): Promise<void> => {
		// Bands with the same values are one column, labelled with its first letter and its last.
		await page.getByRole('button', { name: new RegExp(`^${property}, A`) }).click();
		await over(page).selectOption('everywhere');
		await input.fill(value);
		await expect(into(page)).toContainText('matches nothing else');
	};
	await write('color', 'navy');
	await expect(into(page).getByRole('combobox', { name: /^Into/ })).toHaveValue('0');
	await expect(into(page).getByRole('combobox', { name: 'file' })).toHaveValue('a.css');
	await input.press('Enter');
	await page.getByRole('tab', { name: 'a.css' }).click();
	const sheet = SHEET.replace('\n@media', '\n#one {\n  color: navy;\n}\n\n@media');
	expect(await settled(page, () => shownText(page))).toBe(sheet);
	// The rule that now exists for it takes the next value.
	await write('padding', '3px');
	await input.press('Enter');
	expect(await settled(page, () => shownText(page))).toBe(sheet.replace('navy;', 'navy;\n  padding: 3px;'));
	// A new rule goes to another file, after the rule at the caret there.
	await page.getByRole('tab', { name: 'b.css' }).click();
	await page.locator('.cm-line').first().click();
	await write('padding', '4px');
	await into(page).getByRole('combobox', { name: /^Into/ }).selectOption({ label: 'new: div in a.css' });
	await expect(into(page).locator('strong').first()).toContainText('also matches 1 here');
	await into(page).getByRole('combobox', { name: 'file' }).selectOption('b.css');
	await into(page).getByRole('combobox', { name: 'place' }).selectOption('after the rule at the caret');
	await input.press('Enter');
	expect(await settled(page, () => shownText(page))).toBe(
		'b { top: 0 }\n\ndiv { padding: 4px }\n\ni { top: 0 }\n'
	);
});

test('what cannot be taken says so: a value, a broken place, a stronger rule, a given sheet', async ({
	page,
	server
}) => {
	await open(page, server);
	await cell(page, 'padding', 'A').click();
	await field(page, 'padding', 'A').fill('4 px');
	await expect(into(page)).toContainText('This browser does not accept this value for padding.');
	await page.keyboard.press('Enter');
	await expect(field(page, 'padding', 'A')).toBeVisible();
	expect(await shownText(page)).toBe(SHEET);
	await field(page, 'padding', 'A').fill('4px');
	await into(page).getByRole('combobox', { name: /^Into/ }).selectOption({ label: 'new: div in a.css' });
	await expect(into(page)).toContainText('It would not hold: a.css:2 is stronger (.card).');
	await into(page).getByRole('button', { name: 'as strong: .card (0, 1, 0)' }).click();
	await expect(into(page)).toContainText('changes <700');
	await page.keyboard.press('Escape');
	// A flag is part of the value being edited, and stays unless it is removed.
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText('.card { gap: 1px !important }\n');
	await cell(page, 'gap', 'A').click();
	await expect(field(page, 'gap', 'A')).toHaveValue('1px !important');
	await toCard(page);
	await field(page, 'gap', 'A').focus();
	await page.keyboard.press('Home');
	await page.keyboard.press('ArrowUp');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('.card { gap: 2px !important }');

	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText('@media (width >= 700px) { .card { padding: 21px; ');
	await cell(page, 'padding', 'B').click();
	await toCard(page);
	await field(page, 'padding', 'B').fill('22px');
	await expect(into(page)).toContainText('The block that begins here is never closed.');
	await into(page).getByRole('button', { name: 'show' }).click();
	await expect(page.locator('.cm-activeLine')).toContainText('.card { padding: 21px;');
});

test('a value of a style attribute is edited there; at the whole width each band has its own frame', async ({
	page,
	server
}) => {
	await open(page, server, '&at=1.1');
	await page.keyboard.press('c');
	await expect(cell(page, 'margin-top', 'A')).toContainText('4px style');
	const live = () => pageFrames(page);
	expect(
		await settled(page, async () =>
			(await Promise.all(live().map((frame) => frame.evaluate(() => innerWidth)))).sort((a, b) => a - b)
		)
	).toEqual([320, 812, 1300]);
	await cell(page, 'margin-top', 'A').click();
	await expect(into(page).getByRole('combobox', { name: /^Into/ })).toHaveValue('0');
	await field(page, 'margin-top', 'A').fill('9px');
	for (const frame of live())
		expect(
			await settled(page, () => frame.locator('[style]').evaluate((one) => getComputedStyle(one).marginTop))
		).toBe('9px');
	await page.keyboard.press('Enter');
	await page.keyboard.press('c');
	expect(await settled(page, () => live().length)).toBe(4);
	await page.getByRole('tab', { name: /index.html/ }).click();
	await expect(page.locator('.cm-content')).toContainText('<div class=card style="margin-top: 9px">');
});

test('a column is copied into another, and a look without its place; several elements agree or differ', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><p class="badge tide">a</p><p class="badge berth">b</p>',
		'a.css': `.badge {
  position: absolute;
  padding: 2px;
}

.tide {
  left: 3px;
  color: red;
}

@media (width >= 700px) {
  .tide {
    color: blue;
    padding: 9px;
  }
}
`
	});
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.0,1.1');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+C');
	await expect(cell(page, 'color', 'A')).toContainText('≠ 1');
	await expect(cell(page, 'position', 'A')).not.toContainText('≠');
	await page.getByRole('button', { name: 'Copy the look of the first to the second' }).click();
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await expect(card).toContainText('2 properties into .berth');
	await expect(card).toContainText('Its place was left out: left.');
	expect(
		await settled(page, () =>
			pageFrames(page)[0]
				?.locator('.berth')
				.evaluate((one) => getComputedStyle(one).color)
		)
	).toBe('rgb(0, 0, 255)');
	await page.keyboard.press('Escape');
	await expect(card).toHaveCount(0);

	await page.goto(`${server.url}/site/${site}/bench?page=index.html&file=a.css&at=1.0`);
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+C');
	// Into the carriage's column, where no other is chosen.
	await page.getByText('Copy into B').click();
	await page.getByRole('combobox', { name: 'into' }).selectOption('A');
	await page.getByRole('button', { name: 'what B says' }).click();
	await expect(card).toContainText('B is copied into A: 2 properties');
	await page.keyboard.press('Escape');
	await page.getByText('Copy into A').click();
	await page.getByRole('combobox', { name: 'into' }).selectOption('B');
	await page.getByRole('button', { name: 'what A says' }).click();
	await expect(card).toContainText('A is copied into B: 2 properties');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('    color: red;\n    padding: 2px;\n');
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+z');
	expect(await settled(page, () => shownText(page))).toContain('    color: blue;\n    padding: 9px;\n');
});

test('a threshold goes everywhere at once, with its other half, and back as one step', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css media="(min-width: 43.75em)"><style>@media (max-width: 699.98px) { p { color: red } }</style><img sizes="(max-width: 699px) 10px, 20px"><p>x',
		'a.css': '@media (width >= 700px) { p { top: 1px } }\n@media (width >= 720px) { p { top: 2px } }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	const number = page.getByRole('button', { name: /^Threshold 699 … 720/ });
	await number.focus();
	await page.getByLabel('Width to which 700 goes everywhere, px').fill('800');
	await page.keyboard.press('Enter');
	const card = page.getByRole('dialog', { name: 'A threshold moves' });
	await expect(card).toContainText('4 places in 2 files, on 1 page');
	await expect(page.getByRole('button', { name: 'Threshold 799 … 800' })).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(card).toHaveCount(0);
	await expect(number).toBeVisible();

	const box = await number.boundingBox();
	if (!box) throw new Error('The threshold is not shown.');
	await page.mouse.move(box.x + 4, box.y + 10);
	await page.mouse.down();
	await page.mouse.move(box.x - 60, box.y + 10, { steps: 5 });
	await expect(card).toContainText('4 places in 2 files');
	await page.mouse.up();
	await card.getByLabel('Width of the threshold, px').fill('600');
	await page.keyboard.press('Enter');
	await expect(page.locator('.cm-content')).toContainText('@media (width >= 600px)');
	await page.getByRole('tab', { name: /index.html/ }).click();
	await expect(page.locator('.cm-content')).toContainText(
		'media="(min-width: 37.5em)"><style>@media (max-width: 599.98px) { p { color: red } }</style><img sizes="(max-width: 599px) 10px, 20px">'
	);
	// One undo, in either of the files.
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+z');
	await expect(page.locator('.cm-content')).toContainText('(min-width: 43.75em)');
	await page.getByRole('tab', { name: /a.css/ }).click();
	await expect(page.locator('.cm-content')).toContainText('@media (width >= 700px)');
});

test('a stretch in which neither half of a breakpoint holds is closed as the sheet writes widths', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p>x',
		'a.css': '@media (max-width: 599px) { p { top: 1px } }\n@media (min-width: 600px) { p { top: 2px } }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.getByRole('button', { name: '599<–<600' }).click();
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await expect(card).toContainText('Nothing is left between 599 and 600: 1 place.');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain(
		'@media (max-width: 599.98px) { p { top: 1px } }'
	);
});

test('a stretch narrower than a pixel is a column too, by cascade and by layout', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p class=x>One',
		'a.css':
			'.x { width: 10px }\n@media (max-width: 599px) { .x { width: 20px } }\n@media (min-width: 600px) { .x { width: 30px } }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.0');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('c');
	const heads = page.getByRole('columnheader');
	await expect(heads).toHaveText([/property/, /≤599/, /599<–<600/, /≥600/]);
	const cells = page
		.getByRole('row')
		.filter({ has: page.getByRole('rowheader', { name: 'width', exact: true }) });
	await expect(cells.getByRole('gridcell')).toContainText(['20px', '10px', '30px']);
	const boxes = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'box, px' }) });
	await expect(boxes.getByRole('gridcell')).toContainText(['20 ×', '10 ×', '30 ×']);
});

test('columns that have no frame are told what values come to and what does nothing, too', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><body><div class=x>one</div>',
		'a.css':
			'.x { top: 1em; position: relative; }\n@media (width >= 700px) { .x { position: static; font-size: 20px } }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.0');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+C');
	await page.getByLabel('every band').check();
	for (const width of ['500', '1100']) {
		const field = page.getByLabel('Width of the carriage, px');
		await field.fill(width);
		await field.press('Enter');
		await expect(cell(page, 'top', 'B')).toHaveAccessibleName(/does nothing/);
		await expect(cell(page, 'top', 'A')).not.toHaveAccessibleName(/does nothing/);
	}
	await page.getByLabel('computed').check();
	await expect(page.locator('.computed').filter({ hasText: '16px' }).first()).toBeVisible();
	await expect(page.locator('td', { has: cell(page, 'font-size', 'B') })).toContainText('20px');
});

test('a value begun while a long text is behind goes where it stands then', async ({ page, server }) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><body><div class=x>one</div>',
		'a.css': `.x { color: red; }\n${'.y { color: green; }\n'.repeat(2500)}`
	});
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.0');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+C');
	const color = page.locator('td.here button.value').and(page.locator('[data-cell^="color, "]'));
	await expect(color).toContainText('red :1');
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+Home');
	await page.keyboard.insertText('/* a line more */\n');
	await color.click();
	await page.locator('input.field').fill('blue');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('/* a line more */\n.x { color: blue; }\n.y');
});

test('with twenty bands at 1024 px the band in hand stays in sight, with its frame at the selection', async ({
	page,
	server
}) => {
	const steps = Array.from({ length: 19 }, (_, i) => 300 + 100 * i);
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><div style="height: 4000px"></div><div class=x>one</div>',
		'a.css': `.x { padding: 1px; }\n${steps.map((at, i) => `@media (width >= ${at}px) { .x { padding: ${i + 2}px; } }\n`).join('')}`
	});
	await page.setViewportSize({ width: 1024, height: 768 });
	await openBench(page, server, site, '?page=index.html&file=a.css&at=1.1');
	const width = page.getByLabel('Width of the carriage, px');
	await width.fill('1350');
	await width.press('Enter');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('c');
	/** The band begins at 1300, the twelfth of twenty. */
	const held = page.getByRole('button', { name: 'padding, L: 12px' });
	await expect(held).toBeInViewport({ ratio: 1 });
	await page.getByRole('button', { name: 'Narrower bands' }).click();
	await expect(held).toBeInViewport({ ratio: 1 });
	await held.click();
	await field(page, 'padding', 'L').fill('77px');
	await over(page).selectOption('here only');
	await expect(into(page)).toContainText('changes 1300–<1400');
	// Whatever moves the others, the band being edited is neither lost nor exchanged.
	await width.fill('450');
	await width.press('Enter');
	await expect(page.getByRole('columnheader', { name: /^L/ })).toBeVisible();
	await expect(field(page, 'padding', 'L')).toBeInViewport({ ratio: 1 });
	await expect(field(page, 'padding', 'L')).toHaveValue('77px');
	await width.fill('1350');
	await width.press('Enter');
	// Each visible frame contains the selection. (Columns change with the carriage, so the frames are looked up each
	// time.)
	await expect(async () => {
		const frames = pageFrames(page);
		expect(frames.length).toBeGreaterThan(1);
		for (const frame of frames)
			await expect(frame.locator('.x')).toBeInViewport({ ratio: 1, timeout: 1_000 });
	}).toPass();
	await field(page, 'padding', 'L').press('Enter');
	expect(await settled(page, () => shownText(page))).toMatch(
		/\(1300px <= width < 1400px\) \{\s*\.x \{ padding: 77px; \}\s*\}/
	);
});
