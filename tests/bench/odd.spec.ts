import { bring, expect, framesShown, openBench, pageFrames, test } from '../fixtures.ts';
import { settled } from '../rest.ts';

/** Types at the end of the shown sheet, and waits until the lead's first paragraph has the width. */
const WIDTH = '321px';

test('a sheet of a megabyte on one line, and one of ten thousand open braces, are shown and can be typed in', async ({
	page,
	server
}) => {
	const rule = (n: number): string =>
		`.c${n}{color:#${(n % 4096).toString(16).padStart(3, '0')};margin:0 ${n % 90}px}`;
	let long = '';
	for (let n = 0; long.length < 1024 * 1024; n++) long += rule(n);
	const site = await bring(server, {
		'index.html':
			'<!doctype html><link rel=stylesheet href=long.css><link rel=stylesheet href=deep.css><p class=c7>words</p>',
		'long.css': long,
		'deep.css': `p { color: red }\n${'a{'.repeat(10_000)}`
	});
	await openBench(page, server, site, '?page=index.html&file=long.css');
	const [lead] = pageFrames(page);
	if (!lead) throw new Error('There is no lead.');
	await expect(lead.locator('p')).toHaveCSS('margin-right', '7px');
	await page.locator('.cm-content').click({ position: { x: 4, y: 4 } });
	await page.keyboard.press('Control+Home');
	await page.keyboard.type(`p{width:${WIDTH}}`);
	await expect(lead.locator('p')).toHaveCSS('width', WIDTH);

	await page.getByRole('tab', { name: 'deep.css' }).click();
	await page.locator('.cm-line').first().click();
	await page.keyboard.press('Control+Home');
	await page.keyboard.type('p { height: 77px }');
	await expect(lead.locator('p')).toHaveCSS('height', '77px');
	await page.getByRole('tab', { name: 'long.css' }).click();
	await page.getByRole('slider', { name: 'Carriage' }).focus();
	await page.keyboard.press('ArrowRight');
	expect(await settled(page, () => lead.evaluate(() => innerWidth))).toBe(813);
});

test('a page whose root is cut, zoomed or turned, and one whose picture never comes, are shown calmly', async ({
	page,
	server
}) => {
	const body =
		'<p>words</p><img src="slow.png" width=40 height=40 alt="slow"><i style="display:block;height:3000px"></i>';
	const page_ = (style: string): string =>
		`<!doctype html><style>html { ${style} } body { margin: 0 }</style>${body}`;
	const site = await bring(server, {
		'a.html': page_('overflow: hidden'),
		'b.html': page_('zoom: 2'),
		'c.html': page_('transform: rotate(3deg) scale(0.5)'),
		'slow.png': new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
	});
	await page.route('**/slow.png', () => undefined);
	for (const path of ['a.html', 'b.html', 'c.html']) {
		await page.goto(`${server.url}/site/${site}/bench?page=${path}`);
		await framesShown(page, 4);
		const [lead] = pageFrames(page);
		if (!lead) throw new Error('There is no lead.');
		await expect(lead.locator('p')).toBeAttached();
		const before = await lead.evaluate(() => innerWidth);
		await page.keyboard.press('w');
		expect(await settled(page, () => lead.evaluate(() => innerWidth))).toBe(before + 1);
		await page.keyboard.press('Shift+N');
		await page.keyboard.press('l');
		await page.locator('.cm-content').click();
		await page.keyboard.press('Control+Home');
		await page.keyboard.type('<b>typed</b>');
		await expect(lead.getByText('typed')).toBeAttached();
		await page.goto('about:blank');
	}
});

test('twenty thousand elements, three thousand rules on one, two hundred levels and a cycle are traced and reached calmly', async ({
	page,
	server
}) => {
	const deep = `${'<div class=d>'.repeat(200)}<p id=x class=x>deep</p>${'</div>'.repeat(200)}`;
	const many = Array.from({ length: 19_700 }, (_, i) => `<i class=c${i % 50}>${i}</i>`).join('');
	const rules = Array.from(
		{ length: 3000 },
		(_, i) => `.x { color: rgb(${i % 200}, 1, 1); margin-left: ${i % 9}px }`
	);
	const site = await bring(server, {
		'index.html': `<!doctype html><link rel=stylesheet href=a.css><body>${deep}<div>${many}</div></body>`,
		'a.css': `${rules.join('\n')}\n.x { --a: var(--b); --b: var(--a); width: var(--a, 77px) }\n.x:has( { color: red }\n`
	});
	const path = ['1', ...Array.from({ length: 201 }, () => '0')].join('.');
	await openBench(page, server, site, `?page=index.html&file=a.css&at=${path}`);
	const panel = page.getByRole('region', { name: 'What is selected' });
	await page.keyboard.press('Shift+T');
	await panel.getByLabel('Property').fill('color');
	const row = panel
		.getByRole('listitem')
		.filter({ has: page.locator('button .property', { hasText: /^color$/ }) });
	await expect(row).toContainText('rgb(199, 1, 1)');
	await panel.getByLabel('Property').fill('width');
	await panel.locator('button .property', { hasText: /^width$/ }).click();
	await expect(panel).toContainText('it refers to itself: a cycle behaves as if it were not set');
	await expect(panel).toContainText('computed: 77px');

	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Shift+R');
	await expect(panel.getByRole('row').filter({ hasText: '#x' }).first()).toBeVisible();
	await page.keyboard.press('Shift+Z');
	await expect(panel).toContainText(/19\d{3} elements|20\d{3} elements/);
	await page.keyboard.press('z');
	await expect(page.getByRole('toolbar', { name: /^Ladder/ }).locator(':focus')).toHaveCount(1);
	await page.keyboard.press('ArrowUp');
	expect(await settled(page, () => new URL(page.url()).searchParams.get('at'))).toBe(path.slice(0, -2));

	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.type('#x:has(');
	await expect(page.locator('.cm-content')).toContainText('#x:has(');
	await expect(page.getByRole('group', { name: 'What the rule at the caret matches' })).toContainText(
		'no selector yet'
	);
});
