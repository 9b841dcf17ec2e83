import { bring, expect, openBench, pageFrames, test, toLine, type Page } from '../fixtures.ts';

const SITE = {
	'index.html': `<!doctype html><link rel=stylesheet href=a.css><body><main><table><tr><td id=cell width=40>1</td></tr></table>
<div class=box><p id=x class=it>words</p></div></main></body>`,
	'a.css': `@property --still { syntax: '<length>'; inherits: false; initial-value: 3px }
body { margin: 0 }
main { width: 800px; margin: 0; padding: 0; --still: 9px; --tone: 7px }
.box { font-size: 20px }
.it { margin: 5% 0; margin-left: 1.5em; padding-top: var(--still); color: var(--tone); font-size: 80% }
.it { animation: pale 60s infinite; border-width: 1px }
@keyframes pale { from { opacity: 0.5 } to { opacity: 0.6; border-top-width: 3px } }
td { width: 10% }
.it::before { content: 'now'; color: rgb(9, 9, 9) }
.it:before { color: rgb(8, 8, 8) }
.it::after { content: none }
`
};
const open = async (page: Page, server: Parameters<typeof bring>[0], at: string) => {
	await openBench(page, server, await bring(server, SITE), `?page=index.html&file=a.css&at=${at}`);
	await page.keyboard.press('Shift+T');
};
const panel = (page: Page) => page.getByRole('region', { name: 'What is selected' });
const row = (page: Page, property: string) =>
	panel(page)
		.getByRole('listitem')
		.filter({ has: page.locator('.property', { hasText: new RegExp(`^\\s*(₰)?${property}$`) }) })
		.first();
const openRow = async (page: Page, property: string) => {
	await panel(page).getByLabel('Property').fill(property);
	await row(page, property).getByRole('button').first().click();
};

test('the Trace tells of what a share is, what a variable comes to, what is on top and what an attribute says', async ({
	page,
	empty
}) => {
	await open(page, empty, '1.0.1.0');
	await openRow(page, 'margin-top');
	await expect(row(page, 'margin-top')).toContainText('5%: of 800, the width of div.box, = 40 px');
	await openRow(page, 'margin-left');
	await expect(row(page, 'margin-left')).toContainText('1.5em: of 16, its own text size, = 24 px');
	await openRow(page, 'font-size');
	await expect(row(page, 'font-size')).toContainText(
		'80%: of 20, the text size of what is around it, = 16 px'
	);

	// What the engine lays out agrees.
	const [lead] = pageFrames(page);
	await expect(lead?.locator('#x') ?? page.locator('x')).toHaveCSS('margin', '40px 0px 40px 24px');

	// A registered property is not inherited; substituted values must fit.
	await openRow(page, 'padding-top');
	await expect(row(page, 'padding-top')).not.toContainText('--still: 9px');
	await expect(row(page, 'padding-top')).toContainText('computed: 3px');
	await openRow(page, 'color');
	await expect(row(page, 'color')).toContainText('--tone: 7px');
	await expect(row(page, 'color')).toContainText(
		'With these filled in it reads 7px, which this browser does not take for color'
	);

	await openRow(page, 'opacity');
	await expect(row(page, 'opacity')).toContainText('the animation pale is on top now');
	await openRow(page, 'border-top-width');
	await expect(row(page, 'border-top-width')).toContainText('the animation pale is on top now');

	// A shorthand as its longhands, and those of them that do not hold.
	await panel(page).getByLabel('Property').fill('margin');
	await expect(row(page, 'margin')).toContainText('5% 0 sets 4 longhands; margin-left set elsewhere');
});

test('shares of a grid area, a main axis, a line and its own box, and what does not fit a registration, as the engine has them', async ({
	page,
	empty
}) => {
	const site = await bring(empty, {
		'index.html':
			'<!doctype html><link rel="stylesheet" href="a.css"><div class="grid"><p id="x">x</p><p>y</p></div><div class="flex"><p id="y">x</p></div>',
		'a.css': `@property --kept { syntax: "<length>"; inherits: false; initial-value: 3px }
.grid { display: grid; grid-template: 100px 80px / 300px 200px; column-gap: 10%; width: 600px }
#x { grid-area: 2 / 1 / 3 / 3; margin: 0 0 0 5%; height: 50%; --kept: 20%; padding-top: var(--kept); vertical-align: 50%; line-height: 30px }
.flex { display: flex; flex-direction: column; height: 400px; font-size: 10px }
#y { flex: 0 0 25%; box-sizing: border-box; width: 100px; padding: 10px; translate: 50% -50%; margin: 0 }
`
	});
	const sentence = async (at: string, property: string): Promise<string> => {
		await openBench(page, empty, site, `?page=index.html&file=a.css&at=${at}`);
		await page.keyboard.press('Shift+T');
		await openRow(page, property);
		return (await row(page, property).innerText()).replace(/\s+/g, ' ');
	};
	// The area is both columns and the gap of a tenth of the grid.
	expect(await sentence('1.0.0', 'margin-left')).toContain(
		'5%: of 560, the width of its area in div.grid, = 28 px'
	);
	expect(await sentence('1.0.0', 'height')).toContain(
		'50%: of 80, the height of its area in div.grid, = 40 px'
	);
	expect(await sentence('1.0.0', 'vertical-align')).toContain('50%: of 30, its own line height, = 15 px');
	expect(await sentence('1.0', 'column-gap')).toContain('10%: of 600, the width of its own content, = 60 px');
	const [lead] = pageFrames(page);
	if (!lead) throw new Error('The lead is missing.');
	await expect(lead.locator('#x')).toHaveCSS('margin-left', '28px');
	await expect(lead.locator('#x')).toHaveCSS('height', '40px');

	expect(await sentence('1.1.0', 'flex-basis')).toContain('25%: of 400, the height of div.flex, = 100 px');
	expect(await sentence('1.1.0', 'translate')).toContain(
		'50%: of its own box, 100 × 100: 50 px across, 50 px down'
	);

	// A share does not fit `<length>`: the initial value counts instead.
	expect(await sentence('1.0.0', '--kept')).toContain(
		'It reads 20%, which does not fit <length>, for which --kept is registered'
	);
	expect(await sentence('1.0.0', 'padding-top')).toContain('computed: 3px');
	await expect(pageFrames(page)[0]?.locator('#x') ?? page.locator('x')).toHaveCSS('padding-top', '3px');
});

test('the values of a pseudo-element are traced like those of an element', async ({ page, empty }) => {
	await open(page, empty, '1.0.1.0');
	await panel(page).getByLabel('Which part of it').selectOption('::before');
	await expect(panel(page).getByRole('status')).toContainText('p#x.it::before');
	await openRow(page, 'color');
	await expect(row(page, 'color')).toContainText('color: rgb(8, 8, 8) of .it:before');
	await expect(row(page, 'color')).toContainText('computed: rgb(8, 8, 8)');
	await expect(row(page, 'color')).toContainText('Equally strong, but a.css:10 comes later');
	await openRow(page, 'font-size');
	await expect(row(page, 'font-size')).toContainText('font-size: 80% of .it, inherited from p#x.it');
	await panel(page).getByLabel('Which part of it').selectOption('itself');
	await openRow(page, 'color');
	await expect(row(page, 'color')).toContainText('color: var(--tone) of .it');
});

test('an attribute of the HTML is named, and gives way to every declaration of a sheet', async ({
	page,
	empty
}) => {
	await open(page, empty, '1.0.0.0.0.0');
	await openRow(page, 'width');
	await expect(row(page, 'width')).toContainText('width: 10% of td');
	await expect(row(page, 'width')).toContainText('The attribute width of the HTML gives way');
	await page.locator('.cm-line', { hasText: 'td {' }).click();
	await toLine(page, 'Home');
	await page.keyboard.press('Control+k');
	for (let i = 0; i < 20; i++) await page.keyboard.press('Delete');
	await expect(row(page, 'width')).toContainText('width: 40px of the attribute width');
});

test('where a container flips inside a band is told to the pixel, with the container and its width', async ({
	page,
	empty
}) => {
	const site = await bring(empty, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><div class=wrap><p class=in>words</p></div></body>',
		'a.css': `body { margin: 0 }
.wrap { container: wide / inline-size; width: 50% }
.in { color: rgb(1, 1, 1) }
@container wide (width >= 333px) { .in { color: rgb(2, 2, 2) } }
@media (width >= 1000px) { .wrap { width: 25% } }
`
	});
	await openBench(page, empty, site, '?page=index.html&file=a.css&at=1.0.0');
	await page.keyboard.press('Shift+T');
	await openRow(page, 'color');
	await expect(row(page, 'color')).toContainText('@container wide (width >= 333px) holds here.');
	await expect(row(page, 'color')).toContainText('Its container: div.wrap, 406px wide.');
	// 333 px are half of 666, and a quarter of 1332.
	const stretches = row(page, 'color').locator('dt');
	await expect(stretches).toHaveText(['<666', '666–<1000', '1000–<1332', '≥1332']);
	await expect(row(page, 'color').locator('dd')).toHaveText([
		/rgb\(1, 1, 1\)/,
		/rgb\(2, 2, 2\)/,
		/rgb\(1, 1, 1\)/,
		/rgb\(2, 2, 2\)/
	]);
});

test('a container that flips twice within a few pixels is found too', async ({ page, empty }) => {
	const site = await bring(empty, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><div class=wrap><p class=in>words</p></div></body>',
		'a.css': `.wrap { container: wide / inline-size; width: max(200px, min(100vw - 360px, 1060px - 100vw)) }
.in { color: rgb(1, 1, 1) }
@container wide (width >= 333px) { .in { color: rgb(2, 2, 2) } }
`
	});
	await openBench(page, empty, site, '?page=index.html&file=a.css&at=1.0.0');
	await page.keyboard.press('Shift+T');
	await openRow(page, 'color');
	// 100vw - 360 px is 333 at 693; 1060 px - 100vw is, at 727, for the last time.
	await expect(row(page, 'color').locator('dt')).toHaveText(['<693', '693–<728', '≥728']);
});
