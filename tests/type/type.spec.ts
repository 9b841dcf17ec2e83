import { draftOf } from '../jobs/bench.ts';
import { bring, expect, test, type Page } from '../fixtures.ts';
import { carriageTo, openType, panel, sizeIn } from './setting.ts';
import { settled } from '../rest.ts';

const SITE = {
	'other.html': '<!doctype html><link rel=stylesheet href=a.css><body><h1>Another</h1><p>words</p></body>',
	'index.html':
		'<!doctype html><link rel=stylesheet href=a.css><body><h1>A title of some length</h1><h2>Under it</h2><h3>Third</h3><p>some words that take more lines in a narrow window than in a wide one, and then some more of them</p></body>',
	'a.css': `body { margin: 0; font-size: 1rem; }

h1 { font-size: 8vw; }
h2 { font-size: 1.5rem; }

@media (width >= 900px) {
  h2 { font-size: 2rem; }
  h2.loud { font-size: 40px; }
}
`
};

const peg = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });
const wake = (page: Page) => page.locator('.wake').getByRole('status');

test('the sizes of a page are read as curves, with what the engine has, checks, and where each comes from', async ({
	page,
	server
}) => {
	const site = await bring(server, SITE);
	await openType(page, server, site, '?page=index.html');
	const sizes = await panel(page, 'Sizes');
	await sizes.getByRole('button', { name: /^h1/ }).click();
	await expect(sizes).toContainText('grows by 8 px a 100 px');
	await sizes.getByRole('button', { name: /^h2/ }).click();
	await expect(sizes).toContainText('leaps by 8 px and stays constant from 900');
	await expect(sizes.getByRole('button', { name: 'a.css:7' })).toBeVisible();
	// What takes more lines in a narrow window is told to the px, whichever text is looked at.
	await sizes
		.getByRole('button', { name: /^body, p|^p|^body/ })
		.first()
		.click();
	await expect(sizes).toContainText(/lines: \d up to \d+, \d up to \d+/);
	// Sizes at the carriage are read off, and are the engine's.
	await carriageTo(page, 600);
	await expect(page.getByRole('button', { name: '48', exact: true })).toBeVisible();
	expect(await sizeIn(page, 'h1')).toBeCloseTo(48, 2);
	const checks = await panel(page, 'Checks');
	await expect(checks).toContainText('It cannot reach 200 % by zoom up to 500 %, 240–2560 (WCAG 2.2, 1.4.4)');
	await expect(checks).toContainText('h2 is larger than h1, 240–<300.');
	await expect(checks).toContainText(/h1 \d+ characters a line, [12]\s+lines? here/);
	// With another text size in the browser curves are drawn anew.
	await page.getByLabel('browser’s text size').selectOption('24');
	await expect(page.getByRole('button', { name: '36', exact: true }).first()).toBeVisible();
});

test('a scale is tried in the frames, dragged, undone, and written in place; what wins elsewhere is taken out along', async ({
	page,
	server
}) => {
	const site = await bring(server, SITE);
	await openType(page, server, site, '?page=index.html');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('s');
	await expect(wake(page)).toContainText(/if written: [1-9] texts change size here/);
	await carriageTo(page, 1300);
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(18 * (4 / 3) ** 4, 1);
	// The title sets the reach, and the ratio is read off it. A figure typed in, by keys further, and back.
	await peg(page, 'title, wide end, px').fill('60');
	await peg(page, 'title, wide end, px').press('Enter');
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(60, 1);
	await peg(page, 'title, wide end, px').press('Shift+ArrowUp');
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(61, 1);
	await page.getByRole('button', { name: 'Undo' }).click();
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(60, 1);
	await expect(page.getByRole('textbox', { name: 'Ratio at the wide end' })).toHaveValue(
		String(Number(((60 / 18) ** (1 / 4)).toFixed(3)))
	);
	await page.getByRole('button', { name: 'Undo' }).click();
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(18 * (4 / 3) ** 4, 1);
	// The ratio is typed, too; what cannot be meant is a sentence, and nothing is tried.
	await page.getByLabel('Ratio at the wide end', { exact: true }).fill('3:2');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(18 * 1.5 ** 4, 1);
	await page.getByLabel('Ratio at the wide end', { exact: true }).fill('1');
	await page.keyboard.press('Enter');
	await expect(page.getByText('A ratio of 1 makes no step larger').first()).toBeVisible();
	expect(await settled(page, () => sizeIn(page, 'h1'))).toBeCloseTo(104, 1);
	await page.getByLabel('Ratio at the wide end', { exact: true }).fill('4:3');
	await page.keyboard.press('Enter');
	// A peg is dragged with the pointer: the frames follow.
	const box = await page.locator('path.knee').last().boundingBox();
	await page.mouse.move((box?.x ?? 0) + 7, (box?.y ?? 0) + 7);
	await page.mouse.down();
	await page.mouse.move((box?.x ?? 0) + 7, (box?.y ?? 0) - 30, { steps: 4 });
	await page.mouse.up();
	await expect(page.getByRole('button', { name: /small, wide end: back to the scale/ })).toBeVisible();
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByRole('button', { name: /small, wide end: back to the scale/ })).toHaveCount(0);

	const lines = await panel(page, 'Lines');
	await expect(lines).toContainText('h1 { font-size: var(--size-title); }');
	await page.getByRole('button', { name: 'Write into a.css' }).click();
	expect(await settled(page, () => draftOf(server, 'a.css', site))).toBe(`:root {
  --size-title: clamp(2.074rem, 1.415rem + 2.635vw, 3.556rem);
  --size-heading: clamp(1.728rem, 1.31rem + 1.67vw, 2.667rem);
  --size-subhead: clamp(1.44rem, 1.191rem + 0.996vw, 2rem);
  --size-opening: clamp(1.2rem, 1.067rem + 0.533vw, 1.5rem);
  --size-body: clamp(1rem, 0.945rem + 0.222vw, 1.125rem);
  --size-small: clamp(0.833rem, 0.828rem + 0.02vw, 0.844rem);
}

body { margin: 0; font-size: var(--size-body); }

h1 { font-size: var(--size-title); }
h2 { font-size: var(--size-heading); }

@media (width >= 900px) {
  h2.loud { font-size: 40px; }
}

h3 { font-size: var(--size-subhead); }

small { font-size: var(--size-small); }
`);
	// It is taken back as one step, and written again by a key.
	await page.getByRole('button', { name: 'Undo' }).click();
	expect(await settled(page, () => draftOf(server, 'a.css', site))).not.toContain('--size-title');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('s');
	await expect(wake(page)).toContainText('if written');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('q');
	expect(await settled(page, () => draftOf(server, 'a.css', site))).toContain('--size-title');
	// The scale is kept with the site: written once more, nothing changes.
	await page.reload();
	await expect(page.getByText(/texts of this page/)).toBeVisible();
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('s');
	await expect(wake(page)).toContainText('nothing changes');
});

test('a size in steps becomes one line through them, is kept over a reload, and a scale comes in from a file', async ({
	page,
	server
}) => {
	const site = await bring(server, SITE);
	await openType(page, server, site, '?page=index.html');
	const sizes = await panel(page, 'Sizes');
	await sizes.getByRole('button', { name: /^h2/ }).click();
	await expect(sizes).toContainText(/departs by [+−]\d/);
	await sizes.getByRole('button', { name: 'One line through its steps' }).click();
	const numbers = page.getByRole('tabpanel', { name: 'Three numbers' });
	await expect(numbers).toContainText(/stays constant under 67[45]\.\d+ and from 112[45]\.\d+/);
	// What is no number says so, and changes nothing; ends exchanged are a sentence.
	const most = page.getByRole('textbox', { name: 'largest, px' });
	await most.fill('much');
	await most.press('Enter');
	await expect(numbers).toContainText('“much” is no number.');
	await most.fill('20');
	await most.press('Enter');
	await expect(numbers).toContainText('The smallest, 24 px, is above the largest, 20 px');
	await most.fill('36');
	await most.press('Enter');
	await carriageTo(page, 1200);
	expect(await settled(page, () => sizeIn(page, 'h2'))).toBeCloseTo(36, 1);
	await page.reload();
	await expect(page.getByText(/texts of this page/)).toBeVisible();
	await (await panel(page, 'Sizes')).getByRole('button', { name: /^h2/ }).click();
	await page.getByRole('button', { name: 'Set this size from three numbers' }).click();
	await expect(page.getByRole('textbox', { name: 'largest, px' })).toHaveValue('36');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Escape');

	await page.keyboard.press('s');
	await panel(page, 'Steps');
	await page.getByLabel('File of sizes').setInputFiles({
		name: 'sizes.csv',
		mimeType: 'text/csv',
		buffer: Buffer.from('name,400,1200\nhead,24,36\nsub,20,27\nbody,16.6667,20.25')
	});
	await expect(page.getByText('3 sizes imported as a scale.')).toBeVisible();
	await expect(page.getByRole('textbox', { name: 'Ratio at the narrow end' })).toHaveValue('1.2');
	await expect(page.getByRole('textbox', { name: 'Ratio at the wide end' })).toHaveValue('1.333');
	await expect(page.getByRole('combobox', { name: 'Vantage of the wide end' })).toHaveValue('1200');
	// On another page it is tried as well, against what that page is without it.
	await page.getByLabel('Page', { exact: true }).selectOption('other.html');
	await expect(wake(page)).toContainText('if written: 1 text changes size here; its rules match');
	expect(await settled(page, () => sizeIn(page, 'p'))).toBeCloseTo(20.25, 1);
});

test('a name that a sheet has for something else is said, and nothing is tried', async ({ page, server }) => {
	const site = await bring(server, { ...SITE, 'a.css': `:root { --size-body: red }\n${SITE['a.css']}` });
	await openType(page, server, site, '?page=index.html');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('s');
	const lines = await panel(page, 'Lines');
	await expect(lines).toContainText('“--size-body” is already in use for something else: `red` (a.css).');
	await expect(wake(page)).toHaveText('nothing changes');
});
