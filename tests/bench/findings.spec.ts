import { readFile } from 'node:fs/promises';
import type { FindingsReport } from '../../src/lib/features/findings/report.ts';
import { bring, expect, inFrames, openBench, pageFrames, test } from '../fixtures.ts';
import { settled } from '../rest.ts';

test('what is wrong is listed with its widths, shown where it begins, and gone once it is mended', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><p class=wide>Sea</p><div class=room><div class=box>Quay</div></div>',
		'a.css': 'body { margin: 0 }\n.wide { width: 512.5px }\n.room { width: 40% }\n.box { width: 200px }\n'
	});

	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+O');
	const panel = page.getByRole('tabpanel', { name: 'Findings' });
	await expect(panel.getByRole('listitem')).toHaveText([
		/240–512\s*The page scrolls sideways: p.wide “Sea” reaches 272.5 px beyond its edge. WCAG 2.2 §1.4.10/,
		/240–497\s*div.box “Quay” sticks out of div.room “Quay” by 104 px/
	]);
	await panel.getByRole('button', { name: 'Measure only a few widths' }).click();
	await expect(panel.getByRole('button', { name: 'Measure every width' })).toBeVisible();
	await expect(panel.getByRole('status')).toContainText(
		/2 found. \d+ of 2321 widths measured; each end is exact to the px/
	);

	await panel.getByRole('button', { name: /sticks out/ }).click();
	expect(await settled(page, () => pageFrames(page)[0]?.evaluate(() => innerWidth))).toBe(240);
	await expect(page).toHaveURL(/at=1\.1\.0(%2C|,)1\.1/);
	await expect(page.locator('.stretch.found')).toHaveCount(1);

	// The declaration to blame is proved by removing it, remedies by trying them.
	await expect(panel).toContainText('Without width: 200px a.css:4 on div.box it is not there at 240.');
	await expect(page.locator('.cm-activeLine')).toContainText('.box');
	await panel.getByRole('button', { name: 'Or add max-width: 100%, which mends it' }).click();
	await expect(page.getByRole('dialog', { name: 'What would be written' })).toContainText('max-width: 100%');
	await page.keyboard.press('Enter');
	await expect(panel.getByRole('listitem')).toHaveText([/sideways/]);
});

test('a finding’s edges are stops, one px beside them is seen, and it is accepted with a reason or not looked for', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><p class=wide>Sea</p><p class=wide>Sky</p><p class=lone>Quay</p>',
		'a.css':
			'body { margin: 0 }\n.wide { width: 512.5px }\n.lone { width: 699.5px }\n@media (max-width: 599px) { p { color: red } }\n@media (min-width: 600px) { p { color: blue } }\n'
	});

	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+O');
	const panel = page.getByRole('tabpanel', { name: 'Findings' });
	await expect(panel.getByRole('listitem')).toHaveText([
		/599<–<600\s*Neither \(max-width: 599px\) nor \(min-width: 600px\) holds/,
		/240–699\s*The page scrolls sideways: p.lone “Quay”/,
		/240–512\s*2 × p.wide: the page scrolls sideways/
	]);
	// The page where neither half holds is described, and shown.
	await panel.getByRole('button', { name: /Neither/ }).click();
	await expect(panel).toContainText('At 599.5 3 elements are as on neither side: p.wide, p.lone');
	await panel.getByRole('button', { name: 'See it at 599.5' }).click();
	expect(
		await settled(page, () =>
			inFrames(page, () => [
				document.documentElement.getBoundingClientRect().width,
				getComputedStyle(document.querySelector('p') as Element).color
			])
		)
	).toEqual([
		[599, 'rgb(255, 0, 0)'],
		[599.5, 'rgb(0, 0, 0)']
	]);
	await panel.getByRole('button', { name: '2 × p.wide' }).click();
	await panel.getByRole('button', { name: /“Sky” reaches/ }).click();
	const width = page.getByLabel('Width of the carriage, px');
	await page.getByText('Vantaggio', { exact: true }).click();
	for (const stop of ['512', '513', '600']) {
		await page.keyboard.press('b');
		await expect(width).toHaveValue(stop);
	}
	await panel.getByRole('button', { name: '513', exact: true }).click();
	await panel.getByRole('button', { name: 'One px narrower beside it' }).click();
	expect(await settled(page, () => inFrames(page, () => innerWidth))).toEqual([513, 512]);
	await panel.getByRole('button', { name: 'Chorus again' }).click();

	await panel.getByLabel(/Intended at 240–512, because/).fill('a strip that is slid by hand');
	await page.keyboard.press('Enter');
	await expect(panel).toContainText('a strip that is slid by hand');
	await expect(panel.getByRole('status').first()).toContainText('3 found.');
	const taken = page.waitForEvent('download');
	await panel.getByRole('button', { name: 'Export JSON' }).click();
	const report = JSON.parse(await readFile(await (await taken).path(), 'utf8')) as FindingsReport;
	expect(report.findings.map(({ widths, accepted }) => [widths, accepted])).toEqual([
		['599<–<600', []],
		['240–512', []],
		['no width', [{ widths: '240–512', reason: 'a strip that is slid by hand' }]],
		['240–699', []]
	]);
	await page.reload();
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+O');
	await expect(panel.getByRole('status')).toContainText('3 found.');
	await panel.getByRole('button', { name: 'Reopen' }).click();
	await expect(panel.getByRole('status')).toContainText('4 found.');
	await panel.getByText('Kinds', { exact: true }).click();
	await page.getByLabel('the page scrolls sideways: over, px').fill('400');
	await page.keyboard.press('Tab');
	await expect(panel.getByRole('status')).toContainText('2 found.');
	await page.getByRole('checkbox', { name: 'the page scrolls sideways' }).uncheck();
	// Other widths can be swept, and are again after reopening.
	await page.getByLabel('Swept to, px').fill('340');
	await page.keyboard.press('Tab');
	await expect(panel.getByRole('status').first()).toContainText('All 101 widths measured.');
	await expect(panel.getByRole('status')).toContainText('1 found.');
});

test('a stage that hangs in the middle of a sweep is opened again, and the sweep goes on', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><body><p class=wide>Sea</p>',
		'a.css': 'body { margin: 0 }\n.wide { width: 2512.5px }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+O');
	const panel = page.getByRole('tabpanel', { name: 'Findings' });
	await expect(panel.getByRole('status').first()).toContainText(/found\. \d+ of 2321/);
	const stage = page.frames().find((frame) => /\/\/stage-1\b/.test(frame.url()));
	if (!stage) throw new Error('There is no stage that measures.');
	void stage
		.evaluate(() => {
			for (;;);
		})
		.catch(() => undefined);
	const seen = /(\d+) of 2321/.exec(await panel.getByRole('status').first().innerText())?.[1];
	// Until it is reopened, unmeasured widths are not said to be measured.
	await expect(panel.getByRole('status').first()).toContainText('1 found.');
	await expect(panel.getByRole('status').first()).not.toContainText(`${seen} of 2321`);
	await expect(panel.getByRole('listitem')).toHaveText([/240–2512\s*The page scrolls sideways/]);
	await expect(panel.getByRole('alert')).toHaveCount(0);
});

test('a page whose font is missing, whose containers ask each other and whose pieces never rest is found out to the px', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><body><div class=a><div class=b><p>Sea</p></div></div><i class=c></i>',
		// A growing box makes its container's condition fail, whereby it would shrink again; sizes inside depend on it.
		'a.css': `@font-face { font-family: Gone; src: url(gone.woff2); font-display: block }
body { margin: 0; font: 16px/1.5 Gone, monospace }
.a { container: a / inline-size; width: 50vw }
@container a (width > 300px) { .b { container: b / inline-size; width: 640.5px } }
@container b (width > 600px) { p { width: 120%; animation: grow 1s infinite alternate } }
@keyframes grow { to { width: 300% } }
.c { display: block; height: 10px; width: 50px; transition: width 5s }
`
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+O');
	const panel = page.getByRole('tabpanel', { name: 'Findings' });
	const status = panel.getByRole('status').first();
	await expect(status).toContainText(/nothing new in the last|All 2321 widths/);
	// Above 600 px the first container holds: up to 640 the box itself is too wide, up to 768 what is 120 % of its 640.5 px.
	const sideways = panel.getByRole('listitem').filter({ hasText: 'scrolls sideways' });
	await expect(sideways.filter({ hasText: '601–640' })).toContainText('div.b');
	await expect(sideways.filter({ hasText: '641–768' })).toContainText('p “Sea”');
	await expect(sideways).toHaveCount(2);
	await expect(panel.getByRole('alert')).toHaveCount(0);
});

test('blame says how much of it goes; what is too wide by itself is told, with what mends it, the fittest first', async ({
	page,
	server
}) => {
	const cell = '<td>unloading</td>';
	const site = await bring(server, {
		'index.html': `<!doctype html><link rel=stylesheet href=a.css><body><main><div class=part><table><tr>${cell.repeat(12)}</tr></table></div></main><pre>const boats = await harbour.fetch('every boat that lies at the quay this morning, by name and by berth');</pre><p class=rail>Sea</p>`,
		'a.css':
			'* { margin: 0 }\nmain { display: grid }\ntd { padding: 0 4px }\npre { font: 16px/1.5 monospace }\n.rail { width: 340px; min-width: 320px; margin-left: 40px }\n'
	});
	await openBench(page, server, site, '?page=index.html&file=a.css');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+O');
	const panel = page.getByRole('tabpanel', { name: 'Findings' });
	await panel.getByRole('button', { name: 'Measure only a few widths' }).click();

	await panel.getByRole('button', { name: /sideways: pre/ }).click();
	await expect(panel).toContainText(/pre is code with lines that are too long by themselves: \d+/);
	await expect(panel.locator('ol > li button')).toHaveText([
		'Let it scroll sideways: overflow-x: auto',
		'Let its words break: white-space: pre-wrap; overflow-wrap: anywhere'
	]);

	await panel.getByRole('button', { name: /sideways: div.part/ }).click();
	await expect(panel).toContainText(/table is a table that is too wide by itself: \d+/);
	const offered = panel.locator('ol > li button');
	await expect(offered.first()).toHaveText(
		'Let it scroll sideways in a <div class="scrolls-sideways">, and min-width: 0 on div.part'
	);
	await offered.first().click();
	const would = page.getByRole('dialog', { name: 'What would be written' });
	await expect(would).toContainText('<div class="scrolls-sideways"><table>');
	await page.keyboard.press('Enter');
	await expect(panel.getByRole('button', { name: /sideways: div.part/ })).toHaveCount(0);

	await panel.getByRole('button', { name: /sideways: p.rail/ }).click();
	await expect(panel).toContainText(
		'Without margin-left: 40px a.css:5 on p.rail 40 of 140 px are gone at 240.'
	);
	await expect(panel).not.toContainText('by itself');
});
