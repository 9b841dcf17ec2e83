import { bring, clickIn, expect, openBench, pageFrames, test, toLine, type Page } from '../fixtures.ts';

const REASONS = {
	gone: 'display: none',
	'in-gone': 'in something with display: none',
	shut: 'in something that is closed',
	invisible: 'visibility: hidden',
	'see-through': 'transparent: opacity 0',
	'in-see-through': 'transparent: opacity 0',
	bare: 'empty, without size',
	flat: 'without size',
	cut: 'clipped away',
	away: 'off the page’s edge',
	under: 'covered by something else'
} as const;

const PAGE = `<!doctype html><meta charset=utf-8><link rel=stylesheet href=a.css><body>
<nav class=wide><a href=a.html>Boats</a><a href=b.html>Fares</a></nav>
<section class=part><h2>Tides</h2><div class=row><p id=first>One</p><p id=second>Two</p></div></section>
<div id=gone class=gone>Gone <b id=in-gone>inside</b></div>
<details><summary id=seen-summary>More</summary><p id=shut>Shut</p></details>
<p id=invisible>Invisible</p><div id=see-through><p id=in-see-through>Glass</p></div><div id=bare></div>
<div id=flat><i class=floats>f</i></div>
<div class=box><p id=cut>Cut</p></div><p id=away>Away</p>
<div class=pile><p id=under>Under</p><p id=over>Over</p></div>
<div class=narrow><a href=a.html>Boats</a><a href=b.html>Fares</a></div>`;

const CSS = `.gone, .narrow { display: none }
@media (width < 700px) { .wide { display: none } .narrow { display: block } }
#invisible { visibility: hidden } #see-through { opacity: 0 } .floats { float: left }
.box { height: 20px; overflow: hidden } #cut { margin-top: 40px }
#away { position: absolute; left: -300px; width: 100px }
.pile { position: relative; height: 40px } .pile p { position: absolute; inset: 0; margin: 0; background: gold }`;

const open = async (page: Page, server: Parameters<typeof bring>[0]) => {
	const site = await bring(server, { 'index.html': PAGE, 'a.css': CSS });
	await openBench(page, server, site, '?page=index.html');
	return pageFrames(page);
};
const item = (page: Page, name: string) => page.getByRole('treeitem').filter({ hasText: name }).first();
const selectedName = (page: Page) => page.locator('.name b');

test('the outline tells all elements, and of each that does not show why; it is walked by keys and searched', async ({
	page,
	empty
}) => {
	const [lead] = await open(page, empty);
	await lead?.locator('body').evaluate(() => window.scrollTo(0, 0));
	await page.keyboard.press('Shift+Z');
	const search = page.getByRole('searchbox', { name: 'Find' });
	for (const [id, why] of Object.entries(REASONS)) {
		await search.fill(id);
		const exact = page.getByRole('treeitem').filter({ has: page.getByText(new RegExp(`#${id}(\\.|$)`)) });
		await expect(exact.first()).toContainText(why);
	}
	await search.fill('first');
	await expect(item(page, 'p#first')).toHaveText(/One\s*$/);

	await search.fill('');
	await item(page, 'nav.wide').click();
	await expect(item(page, 'nav.wide')).toHaveAttribute('aria-selected', 'true');
	await page.keyboard.press('ArrowDown');
	await expect(item(page, 'section.part')).toBeFocused();
	await expect(lead?.locator('section') ?? page.locator('x')).toHaveCSS('outline-style', 'solid');
	await expect(item(page, 'section.part')).toHaveAttribute('aria-expanded', 'false');
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/at=1\.1\.0/);
	await page.keyboard.press('ArrowLeft');
	await expect(item(page, 'section.part')).toBeFocused();
	await page.keyboard.press('ArrowLeft');
	await expect(item(page, 'section.part')).toHaveAttribute('aria-expanded', 'false');
});

test('what is hidden is drawn where it would be, told why, and by what it is replaced', async ({
	page,
	empty
}) => {
	await open(page, empty);
	await page.keyboard.press('Shift+Z');
	await item(page, 'div.narrow').click();
	await page.keyboard.press('i');
	const panel = page.getByLabel('What is selected');
	const row = (name: string) => panel.getByRole('row').filter({ hasText: name });
	await expect(row('Carriage')).toContainText('display: none');
	await expect(row('Handset')).toContainText('384 ×');
	await expect(panel.locator('.instead')).toHaveText(
		'nav.wide has the same content and is shown instead ≥700'
	);
	const drawings = page.frameLocator('.table iframe').first().locator('svg');
	await expect(drawings).toHaveCount(4);
	await expect(drawings.first().locator('path[stroke-dasharray="5 4"]')).toHaveCount(1);
	await panel.getByRole('button', { name: 'nav.wide' }).click();
	await expect(panel.locator('.instead')).toHaveText(
		'div.narrow has the same content and is shown instead <700'
	);
});

test('the ladder climbs by click and by keys, and back the same way; Back finds what was selected before the HTML changed', async ({
	page,
	empty
}) => {
	const frames = await open(page, empty);
	const [lead] = frames;
	if (!lead) throw new Error('There is no lead.');
	await clickIn(page, 'Carriage', lead, '#second');
	await expect(selectedName(page)).toHaveText('p#second');
	const ladder = page.getByRole('toolbar', { name: /^Ladder/ });
	await expect(ladder.getByRole('button')).toHaveCount(4);
	// As tall as its box, as drawn.
	const bar = await ladder.getByRole('button', { name: 'section.part' }).boundingBox();
	const drawn = await page.locator('.frame', { hasText: 'Carriage' }).boundingBox();
	const [height, width] = await lead
		.locator('section')
		.evaluate((section) => [section.getBoundingClientRect().height, innerWidth] as const);
	expect(bar?.height).toBeCloseTo((height * (drawn?.width ?? 0)) / width, 0);

	await page.keyboard.press('z');
	// The key is pressed in a frame, which reports it; the next is pressed when the ladder has the focus.
	await expect(ladder.locator(':focus')).toHaveCount(1);
	await page.keyboard.press('ArrowUp');
	await expect(selectedName(page)).toHaveText('div.row');
	await expect(ladder).toContainText('Tides');
	await page.keyboard.press('ArrowDown');
	await expect(selectedName(page)).toHaveText('p#second');
	await page.keyboard.press('ArrowLeft');
	await expect(selectedName(page)).toHaveText('p#first');
	await ladder.getByRole('button', { name: 'section.part' }).hover();
	for (const frame of frames) await expect(frame.locator('section')).toHaveCSS('outline-style', 'solid');
	await ladder.getByRole('button', { name: 'section.part' }).click();
	await expect(selectedName(page)).toHaveText('section.part');

	await page.getByRole('tab', { name: 'index.html' }).click();
	await page.locator('.cm-line', { hasText: '<nav' }).click();
	await toLine(page, 'Home');
	await page.keyboard.insertText('<p>New</p>');
	await expect(lead.locator('body > p').first()).toHaveText('New');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.goBack();
	await expect(selectedName(page)).toHaveText('p#first');
});
