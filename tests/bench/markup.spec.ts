import { bring, expect, openBench, pageFrames, shownText, test } from '../fixtures.ts';
import { settled } from '../rest.ts';

const PAGE = `<!doctype html>
<link rel=stylesheet href=a.css>
<body>
  <ul>
    <li class="fare day">from 3.20</li>
    <li class="fare" id="night">from 4.10</li>
  </ul>
</body>
`;

test('attributes, classes, words, wrappers and copies are shown before they are written, on all like it, and undone as one step', async ({
	page,
	server
}) => {
	const site = await bring(server, { 'index.html': PAGE, 'a.css': '.day { color: red }' });
	await openBench(page, server, site, '?page=index.html&file=index.html&at=1.0.0');
	const lead = pageFrames(page)[0];
	const text = () => shownText(page);
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+I');

	// A class with rules in the sheets is removed: tried in the frames, and discarded.
	await page.getByRole('button', { name: 'day ×' }).click();
	await expect(card).toContainText('a.css has rules for .day.');
	expect(await settled(page, () => lead?.locator('.day').count())).toBe(0);
	await page.keyboard.press('Escape');
	expect(await settled(page, () => lead?.locator('.day').count())).toBe(1);
	expect(await text()).toBe(PAGE);

	await page.getByLabel('Text in it').fill('only 3 < 4');
	await page.getByLabel('Text in it').press('Tab');
	await expect(card).toContainText('only 3 &lt; 4');
	await page.keyboard.press('Enter');
	expect(await settled(page, text)).toContain('<li class="fare day">only 3 &lt; 4</li>');

	await page.getByLabel('Name of a new attribute').fill('lang');
	await page.getByLabel('Value of a new attribute').fill('en');
	await page.keyboard.press('Enter');
	await card.getByRole('button', { name: 'Write it' }).click();
	expect(await settled(page, text)).toContain('<li class="fare day" lang="en">');

	await page.getByRole('button', { name: 'Later', exact: true }).click();
	await page.keyboard.press('Enter');
	expect(await settled(page, text)).toContain(
		'<li class="fare" id="night">from 4.10</li>\n    <li class="fare day" lang="en">'
	);
	// What is selected stays selected.
	await expect(page.getByText('li.fare.day').first()).toBeVisible();
	await page.getByRole('button', { name: 'Duplicate' }).click();
	await page.keyboard.press('Enter');
	expect(await settled(page, () => lead?.locator('.day').count())).toBe(2);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+z');
	await page.keyboard.press('Control+z');
	expect(await settled(page, text)).toContain(
		'<li class="fare day" lang="en">only 3 &lt; 4</li>\n    <li class="fare" id="night">'
	);

	// HTML that would close its parent is refused; other HTML gets lines of its own.
	await page.getByLabel('Where to add it').selectOption('inside, last');
	await page.getByLabel('HTML to add').fill('</li><li>x');
	await page.getByRole('button', { name: 'Add', exact: true }).click();
	await expect(page.getByText('This HTML closes the li that it is to stand in')).toBeVisible();
	await page.getByLabel('Where to add it').selectOption('before it');
	await page.getByLabel('HTML to add').fill('<li class="fare new">from 1.10</li>');
	await page.getByRole('button', { name: 'Add', exact: true }).click();
	await expect(card).toContainText('Adds HTML before one element.');
	await page.keyboard.press('Enter');
	expect(await settled(page, text)).toContain('  <ul>\n    <li class="fare new">from 1.10</li>\n    <li');
	expect(await settled(page, () => lead?.locator('.new').count())).toBe(1);

	// Words chosen in the source go into a tag of their own.
	await page.locator('.cm-line', { hasText: 'from 4.10' }).click();
	await page.keyboard.press('Home');
	for (let i = 0; i < '<li class="fare" id="night">'.length; i++) await page.keyboard.press('ArrowRight');
	await page.keyboard.press('Control+Shift+ArrowRight');
	await page.getByLabel('Tag to wrap it into').fill('small');
	await page.getByRole('button', { name: 'Wrap “from”' }).click();
	await expect(card).toContainText('<small>from</small> 4.10');
	await page.keyboard.press('Enter');
	expect(await settled(page, () => lead?.locator('small').count())).toBe(1);
});

test('words are chosen in a frame, rules that hit otherwise are named, pictures are chosen; a compiled sheet is locked', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><link rel=stylesheet href=b.css><body><p class="x">Tern &amp; <b>Quay</b> at six</p><img src="old.svg" alt="a">',
		'a.css': '.x > b { color: red }',
		'b.css': 'p { margin: 0; padding: 5px; width: 50% }\n/*# sourceMappingURL=b.css.map */',
		'img/new.svg': '<svg xmlns="http://www.w3.org/2000/svg"/>'
	});
	await openBench(page, server, site, '?page=index.html&file=index.html&at=1.0');
	const [lead] = pageFrames(page);
	if (!lead) throw new Error('There is no lead.');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+I');
	/** The position of a word in the lead’s frame, by its first letter. */
	const twice = async (word: string, shift: boolean): Promise<void> => {
		const at = await lead.evaluate((sought) => {
			const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
			for (let node = texts.nextNode(); node; node = texts.nextNode()) {
				const start = node.textContent?.indexOf(sought) ?? -1;
				if (start < 0) continue;
				const range = document.createRange();
				range.setStart(node, start);
				range.setEnd(node, start + 2);
				const { left, top, width, height } = range.getBoundingClientRect();
				return [left + width / 2, top + height / 2, innerWidth] as const;
			}
			return [0, 0, 1] as const;
		}, word);
		const drawn = await page.locator('.frame', { hasText: 'Carriage' }).boundingBox();
		if (!drawn) throw new Error('The lead is not drawn.');
		const scale = drawn.width / at[2];
		if (shift) await page.keyboard.down('Shift');
		await page.mouse.dblclick(drawn.x + at[0] * scale, drawn.y + at[1] * scale);
		if (shift) await page.keyboard.up('Shift');
	};
	await twice('at', false);
	await twice('six', true);
	await expect(page.getByRole('button', { name: 'Wrap “at six”' })).toBeVisible();
	await page.getByLabel('Tag to wrap it into').fill('i');
	await page.getByRole('button', { name: 'Wrap “at six”' }).click();
	await page.keyboard.press('Enter');
	expect(await settled(page, () => shownText(page))).toContain('</b> <i>at six</i></p>');

	await page.getByRole('tabpanel').getByRole('button', { name: 'Unwrap' }).click();
	const card = page.getByRole('dialog', { name: 'What would be written' });
	await expect(card).toContainText('.x > b in a.css matches 0 elements, before 1.');
	await page.keyboard.press('Escape');

	await page.goto(`${server.url}/site/${site}/bench?page=index.html&file=b.css&at=1.1`);
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+I');
	const list = await page.getByLabel('Value of src').getAttribute('list');
	await expect(page.locator(`datalist[id="${list}"] option`)).toHaveAttribute('value', 'img/new.svg');
	await expect(page.getByText('compiled: locked')).toBeVisible();
	await page.locator('.cm-content').click();
	await page.keyboard.type('x');
	expect(await shownText(page)).toContain('p { margin: 0; padding: 5px; width: 50% }');
});
