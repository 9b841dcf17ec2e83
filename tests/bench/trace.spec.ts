import { bring, clickIn, expect, openBench, pageFrames, test, toLine } from '../fixtures.ts';

const SITE = {
	'index.html': `<!doctype html><html><head><link rel="stylesheet" href="base.css"><link rel="stylesheet" href="own.css">
<style>@layer kit { #x { padding: 9px } }</style></head>
<body><main class="list" style="color: maroon"><p id="x" class="item">words</p><p class="item" style="--gap: 3px">more</p></main></body></html>`,
	'base.css':
		'@layer kit { .item { padding: 1px } }\n:root { --gap: 8px; --ink: teal }\n.item { color: var(--ink); margin: var(--gap) 0; opacity: nope }\nmain .item { letter-spacing: 1px }\n',
	'own.css':
		'.item { letter-spacing: 2px; word-spacing: 1px }\n@media (width >= 700px) { .item { word-spacing: 5px } }\n.item:hover { word-spacing: 9px }\n.list { word-spacing: 4px; text-indent: 3px }\n.item { top: 3px }\n'
};

test('the Trace says where each value comes from, at every band, and why each other declaration lost', async ({
	page,
	empty
}) => {
	const site = await bring(empty, SITE);
	await openBench(page, empty, site, '?page=index.html');
	const lead = pageFrames(page)[0];
	if (!lead) throw new Error('There is no lead.');
	await clickIn(page, 'Carriage', lead, '#x');
	await page.keyboard.press('Shift+T');
	const panel = page.getByRole('region', { name: 'What is selected' });
	const row = (property: string) =>
		panel.locator('ul > li', { has: page.locator(`.property:text-is("${property}")`) });
	const openRow = async (property: string): Promise<void> => {
		await row(property).locator('button.name').click();
	};
	await expect(panel.getByText('p#x.item')).toBeVisible();

	// Specificity, with both triples.
	await openRow('letter-spacing');
	await expect(row('letter-spacing')).toContainText('letter-spacing: 1px of main .item');
	await expect(row('letter-spacing')).toContainText(
		'less specific: .item (0, 1, 0) against main .item (0, 1, 1)'
	);

	// Bands: from 700 another line decides; a state and a wrapper’s value are told apart.
	await openRow('word-spacing');
	const words = row('word-spacing');
	await expect(words.locator('dl')).toHaveText(/<700\s*1px\s*own\.css:1\s*≥700\s*5px\s*own\.css:2/);
	await expect(words).toContainText('own.css:2 comes later');
	await expect(words).toContainText('Only while :hover holds.');
	await expect(words.locator('.kept')).toContainText(
		'main.list around it has word-spacing: 4px at own.css:4; it does not reach this element, which has its own.'
	);

	// Layers; what is not valid; what is inherited; custom properties.
	await openRow('padding-left');
	await expect(row('padding-left')).toContainText('padding: 9px of #x');
	await openRow('margin-top');
	await expect(row('margin-top').locator('.step')).toContainText('--gap: 8px base.css:2');
	await panel.getByLabel('Property').fill('opacity');
	await openRow('opacity');
	await expect(row('opacity')).toContainText('does not accept this value for opacity');
	await panel.getByLabel('Property').fill('text-indent');
	await openRow('text-indent');
	await expect(row('text-indent')).toContainText('text-indent: 3px of .list, inherited from main.list');
	await panel.getByLabel('Property').fill('color');
	await openRow('color');
	await expect(row('color').locator('.kept')).toContainText('color: maroon');

	// A declaration without effect has the dele, with its reason.
	await panel.getByLabel('Property').fill('top');
	await openRow('top');
	await expect(row('top')).toContainText('₰ It does nothing here. top acts on positioned elements');
	await panel.getByLabel('Property').fill('color');
	await openRow('color');

	// A place leads to its line; what is typed there is traced at once.
	await row('color').locator('.place', { hasText: 'base.css:3' }).first().click();
	await expect(page.locator('.cm-activeLine')).toContainText('color: var(--ink)');
	await page.keyboard.press('Control+Home');
	await page.keyboard.insertText('#x { color: gold !important }\n');
	await expect(row('color')).toContainText('color: gold !important of #x');
	await expect(row('color')).toContainText('base.css:1 is !important, this is not (importance).');
});

test('what is selected stays selected while the page around it is written', async ({ page, empty }) => {
	const site = await bring(empty, SITE);
	await openBench(page, empty, site, '?page=index.html&file=index.html&at=1.0.0');
	const name = page.locator('.name b');
	await expect(name).toHaveText('p#x.item');
	await page.locator('.cm-content').click();
	await page.locator('.cm-line', { hasText: '<main' }).getByText('<main').click();
	await toLine(page, 'Home');
	for (let i = 0; i < '<body>'.length; i++) await page.keyboard.press('ArrowRight');
	await page.keyboard.insertText('<section><h2>New</h2></section>');
	await expect(page).toHaveURL(/at=1\.1\.0/);
	await expect(name).toHaveText('p#x.item');
	for (const frame of pageFrames(page)) await expect(frame.locator('h2')).toHaveText('New');
	await page.keyboard.press('Control+z');
	await expect(page).toHaveURL(/at=1\.0\.0/);
	await expect(name).toHaveText('p#x.item');
});

test('beside the line of what does nothing stands the dele, for as long as it does nothing on everything it hits', async ({
	page,
	empty
}) => {
	const site = await bring(empty, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><div class=row><p class=a>One</p><p class=a>Two</p></div><p class="a out">Three</p>',
		'a.css': `.row { display: flex; gap: 4px; align-content: center }
.a { order: 1; z-index: 2 }
.out { z-index: 3; order: 2 }
@media (width < 100px) { .row { top: 0 } }
`
	});
	await openBench(page, empty, site, '?page=index.html&file=a.css');
	const line = (n: number) => page.locator('.cm-line').nth(n);
	await expect(line(0).locator('.cm-dele')).toHaveText('₰ does nothing here');
	await expect(line(0).locator('.cm-dele')).toHaveAttribute('title', /with flex-wrap: nowrap it has one/);
	// On the items of the row both have an effect; elsewhere neither does.
	await expect(line(2).locator('.cm-dele')).toHaveCount(2);
	await expect(line(1).locator('.cm-dele')).toHaveCount(0);
	await expect(line(3).locator('.cm-dele')).toHaveCount(0);
	await line(0).getByText('flex', { exact: true }).click();
	await toLine(page, 'Home');
	await page.keyboard.insertText('/* */');
	await toLine(page, 'End');
	await page.keyboard.insertText('\n.row { flex-wrap: wrap }');
	await expect(page.locator('.cm-dele')).toHaveCount(2);
});
