import { bring, expect, openBench, pageFrames, test, type Page, type Server } from '../fixtures.ts';
import { atRest } from '../rest.ts';

/** Sites that are unlike the demo, by what is odd in them. Any error on the page or in the console fails the test. */
const page = (
	css: string,
	body = '<h1>Title</h1><p class="a a">words <b>bold</b></p>'
): Record<string, string> => ({
	'index.html': `<!doctype html><link rel=stylesheet href=a.css>${body}`,
	'a.css': css
});
const SITES: Readonly<Record<string, Record<string, string>>> = {
	'two cuts at one number': page(
		'p { font-size: 16px; width: 90% } @media (min-width: 700px) { p { font-size: 18px } } @media (max-width: 700px) { p { font-size: 14px; font-size: 14px; width: 80% } } @media (min-width: 700px) { p { font-size: 18px } }'
	),
	'no query': page('p { color: red }'),
	'no sheet': { 'index.html': '<h1>Title</h1><p>words' },
	'an empty page': { 'index.html': '', 'a.css': '' },
	'200 breakpoints': page(
		Array.from(
			{ length: 200 },
			(_, i) => `@media (min-width: ${300 + 7 * i}px) { p { font-size: ${10 + i / 10}px } }`
		).join('\n')
	),
	'300 pages': Object.fromEntries(
		Array.from({ length: 300 }, (_, i) => [
			i === 0 ? 'index.html' : `p${i}.html`,
			`<!doctype html><link rel=stylesheet href=a.css><title>${i}</title><p>${i}`
		]).concat([['a.css', 'p { font-size: 1rem } @media (width >= 40em) { p { font-size: 2rem } }']])
	),
	'bad sheets': {
		...page(
			'p { color: red; ; } } @media (min-width: 700px) { ; p { color: blue } p:has( { x: y }\n@media (width > 2px { b { c: d } } /* open'
		),
		'b.css': '@import url(a.css; p { : }',
		'c.css':
			'p { width: "no end\n; color: calc(1px + } @media { } @layer { } @keyframes x { @media all { to { a: b } } }',
		'index.html':
			'<!doctype html><link rel=stylesheet href=a.css><link rel=stylesheet href=b.css><link rel=stylesheet href=c.css><link rel=stylesheet href=missing.css><style>@media (min-width: ) { p { } }</style><p style="; color: ; width: calc(">words'
	}
};

async function everyTab(page: Page, list: string): Promise<void> {
	const tabs = page.getByRole('tablist', { name: list }).getByRole('tab');
	for (let i = 0; i < (await tabs.count()); i++) {
		await tabs.nth(i).click();
		await expect(tabs.nth(i)).toHaveAttribute('aria-selected', 'true');
		await expect(page.getByRole('tabpanel').last()).not.toBeEmpty();
	}
}

async function everyScreen(page: Page, server: Server, site: number): Promise<void> {
	await openBench(page, server, site, '?page=index.html');
	await everyTab(page, 'About what is selected');
	const [lead] = pageFrames(page);
	await lead?.locator('body').click({ position: { x: 12, y: 12 } });
	await everyTab(page, 'About what is selected');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('c');
	await page.keyboard.press('c');
	for (const screen of ['Type', 'Site', 'Bench', 'Type']) {
		await page.getByRole('navigation').getByRole('link', { name: screen }).click();
		await expect(page).toHaveURL(new RegExp(`/${screen.toLowerCase()}\\?`));
	}
	await atRest(page);
	expect(pageFrames(page).length).toBeGreaterThan(0);
	await page.getByText('Vantaggio', { exact: true }).click();
	for (const work of ['', 's', 'o']) {
		if (work) await page.keyboard.press(work);
		await everyTab(page, 'What is shown of the sizes');
		await page.getByText('Vantaggio', { exact: true }).click();
	}
	await expect(page.getByRole('alert').filter({ hasText: 'cannot be shown' })).toHaveCount(0);
}

for (const [name, files] of Object.entries(SITES)) {
	const tag = name === 'two cuts at one number' ? ['@smoke'] : [];
	test(`every screen and tab stands with ${name}`, { tag }, async ({ page, server }) => {
		await everyScreen(page, server, await bring(server, files));
	});
}
