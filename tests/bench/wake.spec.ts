import { bring, expect, openBench, pageFrames, shownText, test, type Page } from '../fixtures.ts';
import { settled } from '../rest.ts';

const SHEET = `body { margin: 0 }
.card { padding: 10px; color: black; }
@media (700px <= width < 1000px) {
  .card { padding: 20px; }
}
.note { width: 300px; }
`;
const FILES = {
	'index.html':
		'<!doctype html><link rel=stylesheet href=a.css><body><div class=card><p>one<p>two</div><p class=note>three</p>',
	'other.html': '<!doctype html><link rel=stylesheet href=a.css><p class=card>three',
	'a.css': SHEET
};
const wake = (page: Page) => page.getByRole('status', { name: 'Wake' });
const padding = (page: Page) =>
	pageFrames(page)[0]
		?.locator('.card')
		.evaluate((one) => getComputedStyle(one).paddingTop);

/** Puts the caret after some words of the sheet. */
async function after(page: Page, words: string): Promise<void> {
	const text = await shownText(page);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+Home');
	for (let i = 0; i < text.indexOf(words) + words.length; i++) await page.keyboard.press('ArrowRight');
}

test('an edit in a band is told with its elements and exact widths, there and on other pages; it is taken back', async ({
	page,
	server
}) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await expect(wake(page)).toHaveCount(0);
	await after(page, 'padding: 2');
	await page.keyboard.insertText('4');
	await page.keyboard.press('Delete');
	await expect(wake(page)).toContainText('div.card, 700–<1000; 3 more follow, 700–<1000, by up to');
	await expect(wake(page)).toContainText('nothing else, at');
	await expect(wake(page)).toContainText('other.html: 1 element, 700–<1000.');
	await expect(wake(page)).not.toContainText('beyond');
	// Shift P, held, shows the page before it.
	const width = page.getByLabel('Width of the carriage, px');
	await width.fill('800');
	await width.press('Enter');
	await page.getByText('Vantaggio', { exact: true }).click();
	expect(await settled(page, () => padding(page))).toBe('24px');
	await page.keyboard.down('Shift');
	await page.keyboard.down('P');
	expect(await settled(page, () => padding(page))).toBe('20px');
	await page.keyboard.up('P');
	await page.keyboard.up('Shift');
	expect(await settled(page, () => padding(page))).toBe('24px');
	await wake(page).getByRole('button', { name: 'Undo' }).click();
	expect(await settled(page, () => shownText(page))).toBe(SHEET);
	await expect(wake(page)).toContainText('div.card, 700–<1000');
});

test('what an edit changed beyond the band that was meant comes first, and it is limited to that band', async ({
	page,
	server
}) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html&file=a.css');
	const width = page.getByLabel('Width of the carriage, px');
	await width.fill('1200');
	await width.press('Enter');
	await after(page, 'width: ');
	await page.keyboard.press('Delete');
	await page.keyboard.insertText('4');
	await expect(wake(page)).toContainText('Also beyond the carriage’s band: 240–<1000.');
	await expect(wake(page)).toContainText('p.note, 240–2560, by up to 100 px');
	await expect(page.locator('.stretch.reach')).not.toHaveCount(0);
	await wake(page).getByRole('button', { name: 'Limit to the carriage’s band' }).click();
	await expect(page.getByRole('dialog', { name: 'What would be written' })).toContainText(
		'holds in ≥1000 alone'
	);
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toMatch(
		/\.note \{ width: 300px; \}[^]*width >= 1000px[^]*width: 400px/
	);
	await expect(wake(page)).toContainText('p.note, 240–<1000');
	// What changes nothing is reported so, with the number of widths measured.
	await after(page, 'color: ');
	await page.keyboard.insertText('/* as ever */ ');
	await expect(wake(page)).toContainText('Nothing could change.');
});

test('what is held is checked after every edit; a breach is said, allowed, taken as held, or taken out as a report', async ({
	page,
	server
}) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html&file=a.css');
	const width = page.getByLabel('Width of the carriage, px');
	await width.fill('1200');
	await width.press('Enter');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('h');
	await expect(page.locator('.stretch.held')).toHaveCount(1);
	const holds = page.getByText(/^Holds/);
	await holds.click();
	await expect(page.getByRole('listitem').filter({ hasText: 'as it was' })).toContainText(
		/≥1000 index.html, the whole page, in a window 800 px high, since .+, revision 1/
	);
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Report' }).click();
	const report = await (await download).createReadStream();
	let text = '';
	for await (const part of report) text += String(part);
	expect(text).toContain('<h1>Unchanged: index.html, ≥1000</h1>');
	expect(text).toContain('1000 px, 1008 px, 1136 px, 1264 px');

	// Another band may change; what is held must not.
	await page.keyboard.press('Escape');
	await after(page, 'padding: 2');
	await page.keyboard.insertText('4');
	await page.keyboard.press('Delete');
	await expect(wake(page)).toContainText('div.card, 700–<1000');
	await expect(wake(page)).not.toContainText('Hold broken');
	await after(page, 'width: ');
	await page.keyboard.press('Delete');
	await page.keyboard.insertText('4');
	await expect(wake(page)).toContainText('Hold broken: 1000–2560, p.note.');
	await wake(page).getByRole('button', { name: 'Undo' }).click();
	await expect(wake(page)).not.toContainText('Hold broken');
	await expect(wake(page)).toContainText('Undone: width 300px → 400px, .note, a.css');
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+Shift+Z');
	await expect(wake(page)).toContainText('Hold broken: 1000–2560, p.note.');
	// After a reload it is still held; the new state can be held instead.
	await page.keyboard.press('Control+s');
	await page.reload();
	await expect(wake(page)).toContainText('Hold broken: 1000–2560, p.note.');
	await wake(page).getByRole('button', { name: 'Allow for these elements' }).click();
	await expect(wake(page)).toHaveCount(0);
	await page.getByText(/^Holds/).click();
	await page.getByRole('button', { name: 'Delete', exact: true }).click();
	await expect(page.locator('.stretch.held')).toHaveCount(0);
});

test('findings that an edit makes are told, and those that it mends, with their widths', async ({
	page,
	server
}) => {
	const site = await bring(server, FILES);
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await after(page, 'width: 3');
	await page.keyboard.insertText('0');
	await expect(wake(page)).toContainText(
		/New finding: The page scrolls sideways: p\.note .*reaches [\d.]+ px beyond its edge, 300–2560\./
	);
	await page.keyboard.press('Control+z');
	await expect(wake(page)).toContainText(/Mended: The page scrolls sideways: p\.note .*, 300–2560\./);

	// The same for an edit of the markup; what only moved is unchanged.
	await page.getByRole('tab', { name: 'index.html' }).click();
	const body = page.locator('.cm-line').first();
	await body.click();
	await page.keyboard.press('Control+f');
	await page.keyboard.type('<body>');
	await page.keyboard.press('Enter');
	await page.keyboard.press('Escape');
	await page.keyboard.press('ArrowRight');
	await page.keyboard.insertText('<div style="width: 4000px; height: 9px">wide</div>');
	await expect(wake(page)).toContainText(
		/New finding: The page scrolls sideways: div .*4000|New finding: The page scrolls sideways: div/
	);
	await expect(wake(page)).not.toContainText('Mended');
});

test('an edit is looked at on every page that uses the sheet, however many there are, with the findings it makes there', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		...FILES,
		...Object.fromEntries(
			Array.from({ length: 20 }, (_, i) => [`more/${i}.html`, '<!doctype html><p class=plain>no sheet'])
		),
		'more/last.html': '<!doctype html><link rel=stylesheet href=../a.css><p class=far>far'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await after(page, '.note { width: 300px; }');
	await page.keyboard.insertText('\n.far { width: 700px; }');
	await expect(wake(page)).toContainText(
		/more\/last\.html: 1 element, .*more\/last\.html: New finding: The page scrolls sideways: p\.far/
	);
	await expect(wake(page)).toContainText('Nothing changed here');
	await expect(wake(page)).not.toContainText('not measured yet');
});
