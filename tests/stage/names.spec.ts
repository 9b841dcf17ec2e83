import { bring, clickIn, expect, framesShown, openBench, pageFrames, test } from '../fixtures.ts';

/** Every name that documents and forms have members of, as the browser at hand has them. */
function memberNames(): string[] {
	const names = new Set<string>();
	for (const one of [document, document.createElement('form')] as object[])
		for (let at: object | null = one; at; at = Object.getPrototypeOf(at) as object | null)
			for (const name of Object.getOwnPropertyNames(at)) names.add(name);
	return [...names].filter((name) => /^[a-z]\w*$/i.test(name));
}

test('a page whose elements have the names of members of documents and forms is read as any other', async ({
	page,
	server
}) => {
	await page.goto(server.url);
	const names = await page.evaluate(memberNames);
	expect(names.length).toBeGreaterThan(300);
	const inputs = names.map((name) => `<input type=hidden name=${name}>`).join('');
	const hidden = names.map((name) => `<form name=${name}></form><img name=${name} hidden>`).join('');
	const site = await bring(server, {
		'index.html': `<!doctype html><link rel=stylesheet href=a.css><body>${hidden}<div id=around><form id=form>${inputs}<label id=label>Name <input id=field></label></form></div><p id=p>wide</p>`,
		'a.css':
			'#form { width: 140px; padding: 30px; background: silver } #p { width: 500px } form:hover { color: red }'
	});
	await openBench(page, server, site);
	const [lead, handset] = pageFrames(page);
	if (!lead || !handset) throw new Error('A frame is missing.');
	// The driver itself cannot click on such a form.
	await lead.locator('#around').click({ position: { x: 15, y: 15 }, force: true });
	await expect(page.locator('.name b')).toContainText('form#form');
	await expect(page.getByText('200 ×').first()).toBeVisible();
	for (const tab of ['Trace', 'Reach', 'Outline']) await page.getByRole('tab', { name: tab }).click();
	await expect(page.getByRole('treeitem', { selected: true })).toBeVisible();
	await clickIn(page, 'Handset', handset, '#field');
	await expect(page.getByRole('treeitem', { selected: true })).toContainText('field');
	// An edit reaches every frame: sheets are found, filled and measured.
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText(' #p { width: 700px }');
	for (const frame of pageFrames(page)) await expect(frame.locator('#p')).toHaveCSS('width', '700px');
	await page.keyboard.press('Escape');
	await page.getByRole('tab', { name: 'Findings' }).click();
	await expect(page.getByText(/The page scrolls sideways/).first()).toBeVisible();
	// The page is written once more, over its own names.
	await page.reload();
	await framesShown(page, 4);
	for (const frame of pageFrames(page)) await expect(frame.locator('#p')).toHaveCSS('width', '700px');
});
