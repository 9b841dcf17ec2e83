import { bring, expect, test, type Page } from '../fixtures.ts';
import { atWork, draftOf, frameOf, panel, reached, traced } from './bench.ts';
import { settled } from '../rest.ts';

/** A small site as saved from a host: its markup and its sheet are the host's, one sheet is ours. */
const BATHS = {
	'index.html': `<!doctype html><html><head><meta charset="utf-8"><title>Quill Baths</title><link rel="stylesheet" href="host.css"><link rel="stylesheet" href="own.css"></head>
<body>
<section class="block" id="block-7f21c9"><video class="film" muted></video><h1>Warm water all year</h1></section>
<section class="block" id="block-88ab31"><h2>This week</h2>
<div class="steps wide" style="margin-top: 22px"><a href="#a">earlier</a> <a href="#b">later</a></div>
<div class="days"><p>Monday</p><p>Tuesday</p></div>
<div class="steps narrow"><a href="#a">earlier</a> <a href="#b">later</a></div></section>
<section class="block" id="block-19d0f2"><div class="corner"><h3>Hours</h3><p class="line">Daily from seven</p></div>
<figure><img alt="The long pool"><figcaption>Built of river stone</figcaption></figure></section>
</body></html>`,
	'about.html': `<!doctype html><link rel="stylesheet" href="host.css"><link rel="stylesheet" href="own.css"><body><section class="block"><video class="film" muted></video><img alt="a"><img alt="b"></section>`,
	'host.css': '.block { padding: 20px }\n.film { width: 100% }\n.days { display: flex; gap: 10px }\n',
	'own.css': `@media (width < 640px) { .wide { display: none } }
@media (width >= 640px) { .narrow { display: none } }
.days ~ .steps { margin-top: -9px }
.corner { font-size: 0.9rem }
.corner .line { font-size: 1.2rem }
@media (width >= 640px) { figcaption { opacity: 0; } figure:hover figcaption { opacity: 1; } }
`
};

async function atBaths(page: Page, server: Parameters<typeof bring>[0]) {
	const site = await bring(server, BATHS);
	await page.goto(`${server.url}/site/${site}/site`);
	for (const path of ['index.html', 'about.html', 'host.css']) {
		const kept = page.waitForResponse(/kept\/given/);
		await page.getByLabel(`${path} is given`).check();
		await kept;
	}
	return { site, work: await atWork(page, server, 'index.html', 'own.css', site) };
}

test('J02 where the markup is given: the pairs told apart, the style attribute named, the leftover taken out', async ({
	page,
	empty
}) => {
	const { site, work } = await atBaths(page, empty);
	await work.select('steps', 'div.steps.wide');
	await work.ask('i');
	await expect(panel(page).locator('.instead')).toHaveText(
		'div.steps.narrow has the same content and is shown instead <640'
	);
	await work.ask('Shift+T');
	const space = await traced(page, 'margin-top');
	await expect(space).toContainText('margin-top: 22px of the style attribute');
	await space.locator('.place').first().click();
	await expect(page.getByText('given: locked')).toBeVisible();

	await work.select('steps', 'div.steps.narrow');
	await work.ask('Shift+T');
	const culprit = await traced(page, 'margin-top');
	await expect(culprit).toContainText('margin-top: -9px of .days ~ .steps');
	const margin = () =>
		frameOf(page, 'Handset')
			.locator('.narrow')
			.evaluate((one) => getComputedStyle(one).marginTop);
	expect(await margin()).toBe('-9px');
	await culprit.getByRole('button', { name: 'mute it' }).click();
	expect(await settled(page, margin)).toBe('0px');
	// The same space for the pair on narrow, band by band, in a sheet of ours.
	await work.collate('margin-top', '12px', { extent: 'everywhere' });
	expect(await settled(page, margin)).toBe('12px');
	expect(await settled(page, () => draftOf(empty, 'index.html', site))).toBe('');
});

test('J08 where the markup is given: the film of this page alone, by a class that is an errand', async ({
	page,
	empty
}) => {
	const { site, work } = await atBaths(page, empty);
	await work.select('video', 'video');
	await work.ask('Shift+R');
	await expect(reached(page, '.film').first()).toContainText('it belongs to host.css, which is given');
	await expect(reached(page, '.film').nth(2)).toHaveText('about.html 1');
	await work.select('body', 'body');
	await work.ask('Shift+R');
	await panel(page).getByLabel('Add a class').fill('front');
	await panel(page).getByRole('button', { name: 'Add to 1 element' }).click();
	await expect(panel(page)).toContainText('index.html is given: the frames have it');
	await work.select('video', 'video');
	await work.ask('Shift+R');
	await expect(reached(page, '.front .film').nth(1)).toHaveText('1');
	await expect(reached(page, '.front .film').nth(2)).toHaveText('–');
	await work.write('.front .film { display: none }');
	await expect(frameOf(page, 'Handset').locator('video')).toHaveCSS('display', 'none');

	await page.goto(`${empty.url}/site/${site}/site`);
	await expect(page.getByRole('listitem').filter({ hasText: 'the class front' })).toContainText(
		'○ index.html'
	);
});

test('J14, J18, J19 where the markup is given: the size that does not reach, what hover can and cannot show, how far a rule reaches', async ({
	page,
	empty
}) => {
	const { site, work } = await atBaths(page, empty);
	await work.select('p.line', 'p.line');
	await work.ask('Shift+T');
	const size = await traced(page, 'font-size');
	await expect(size).toContainText('font-size: 1.2rem of .corner .line');
	await expect(size).toContainText('div.corner around it has font-size: 0.9rem at own.css:4');

	await work.select('figcaption', 'figcaption');
	await expect(page.getByRole('treeitem', { selected: true })).toContainText('transparent: opacity 0');
	await work.ask('Shift+T');
	await expect(await traced(page, 'opacity')).toContainText('Only while :hover holds.');
	await expect(frameOf(page, 'Handset').locator('figcaption')).toHaveCSS('opacity', '1');
	await work.write('figcaption { display: none; } figcaption:hover { display: block; }');
	await expect(await traced(page, 'display')).toContainText(
		'It is display: none here, and what is not shown cannot be pointed at.'
	);

	await work.select('img', 'img');
	await work.ask('Shift+R');
	await expect(reached(page, 'img').nth(1)).toHaveText('1');
	await expect(reached(page, 'img').nth(2)).toHaveText('about.html 2');
	await work.select('block', 'section#block-88ab31.block');
	await work.ask('Shift+R');
	await expect(reached(page, '#block-88ab31').first()).toContainText(
		'the id block-88ab31 looks made by a tool'
	);

	// Both written band by band, into a sheet of ours; the host's files stay as they are.
	await work.select('p.line', 'p.line');
	await work.collate('font-size', '1rem', { extent: 'under the width', at: 560 });
	const narrow = frameOf(page, 'Handset');
	await expect(narrow.locator('p.line')).toHaveCSS('font-size', '16px');
	await expect(frameOf(page, 'Slate').locator('p.line')).toHaveCSS('font-size', '19.2px');
	await work.select('img', 'img');
	await work.collate('max-width', '72%', { extent: 'under the width', at: 560 });
	await expect(narrow.locator('img')).toHaveCSS('max-width', '72%');
	await expect(frameOf(page, 'Slate').locator('img')).toHaveCSS('max-width', 'none');
	expect(await settled(page, () => draftOf(empty, 'own.css', site))).toContain('560px');
	for (const path of ['index.html', 'host.css']) expect(await draftOf(empty, path, site)).toBe('');
});
