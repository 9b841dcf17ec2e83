import {
	bring,
	expect,
	openBench,
	pageFrames,
	shownText,
	test,
	type Page,
	type Server
} from '../fixtures.ts';
import { settled } from '../rest.ts';

const SITE = {
	'index.html':
		'<!doctype html>\n<html lang="de">\n<head>\n\t<link rel=stylesheet href="css/a.css">\n</head>\n<body><p>x</p></body>\n</html>\n',
	'deep/other.html': '<!doctype html>\n<link rel=stylesheet href="../css/a.css">\n<p>y</p>\n',
	'css/a.css': 'p { color: red }\n'
};

async function create(page: Page, server: Server, site: number): Promise<ReturnType<Page['getByRole']>> {
	await openBench(page, server, site);
	await page.getByRole('button', { name: 'New…' }).click();
	return page.getByRole('dialog', { name: 'New' });
}
const textsOf = async (server: Server, site: number): Promise<Record<string, string | null>> => {
	const { files } = (await (await fetch(`${server.url}/api/sites/${site}`)).json()) as {
		files: { path: string; text: string | null }[];
	};
	return Object.fromEntries(files.map(({ path, text }) => [path, text]));
};

test('a new sheet is linked in all pages at its place, written into at once, and its links are one step', async ({
	page,
	server
}) => {
	const site = await bring(server, SITE);
	const dialog = await create(page, server, site);
	await expect(dialog.getByLabel('Path in the site')).toHaveValue('css/new.css');
	await dialog.getByLabel('Path in the site').fill('css/A.css');
	await dialog.getByRole('button', { name: 'Create the sheet' }).click();
	await expect(dialog).toContainText('There is already a file css/A.css.');
	await dialog.getByLabel('Path in the site').fill('css/sea');
	await dialog.getByRole('button', { name: 'Create the sheet' }).click();
	await expect(dialog).toHaveCount(0);

	await expect(page.getByRole('tab', { name: 'sea.css' })).toHaveAttribute('aria-selected', 'true');
	await page.locator('.cm-content').click();
	await page.keyboard.insertText('p { color: rgb(1, 2, 3) }');
	const colour = () =>
		pageFrames(page)[0]?.evaluate(() => getComputedStyle(document.querySelector('p') as Element).color);
	await expect.poll(colour).toBe('rgb(1, 2, 3)');
	await page.keyboard.press('Control+s');
	await expect(page.getByText(/✓ Saved/)).toBeVisible();
	const saved = await textsOf(server, site);
	expect(saved['index.html']).toContain(
		'\t<link rel=stylesheet href="css/a.css">\n\t<link rel="stylesheet" href="css/sea.css">\n</head>'
	);
	expect(saved['deep/other.html']).toContain(
		'<link rel=stylesheet href="../css/a.css">\n<link rel="stylesheet" href="../css/sea.css">\n<p>'
	);

	// The order of the two is exchanged on the Site screen; undo takes back that, the letters and both links.
	await page.goto(`${server.url}/site/${site}/site`);
	await page
		.getByRole('row', { name: /^index.html/ })
		.getByRole('button', { name: 'Exchange css/sea.css with the sheet before it' })
		.click();
	await expect(page.getByText('1 file unsaved')).toBeVisible();
	await page.keyboard.press('Control+s');
	await expect(page.getByText(/✓ Saved/)).toBeVisible();
	expect((await textsOf(server, site))['index.html']).toMatch(
		/sea\.css">\n\t<link rel=stylesheet href="css\/a\.css"/
	);
	for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
	await page.keyboard.press('Control+s');
	await expect(page.getByText(/✓ Saved/)).toBeVisible();
	expect(await textsOf(server, site)).toEqual(SITE);

	// Pages can be chosen singly.
	const another = await create(page, server, site);
	await another.getByLabel('Path in the site').fill('css/one');
	await another.getByLabel('Link it in').selectOption('pages chosen here');
	await another.getByRole('checkbox', { name: 'deep/other.html' }).check();
	await another.getByRole('button', { name: 'Create the sheet' }).click();
	await expect(another).toHaveCount(0);
	await page.keyboard.press('Control+s');
	await expect(page.getByText(/✓ Saved/)).toBeVisible();
	const chosen = await textsOf(server, site);
	expect(chosen['index.html']).toBe(SITE['index.html']);
	expect(chosen['deep/other.html']).toContain('<link rel="stylesheet" href="../css/one.css">');
});

test('a new page is empty, with the sheets of the one that is shown, or a copy of it; files come in, a style element too', async ({
	page,
	server
}) => {
	const site = await bring(server, SITE);
	const dialog = await create(page, server, site);
	await dialog.getByLabel('Page', { exact: true }).check();
	await dialog.getByLabel('Path in the site').fill('deep/new.html');
	await dialog.getByRole('button', { name: 'Create the page' }).click();
	await expect(page.getByRole('banner').getByLabel('Page')).toHaveValue('deep/new.html');
	await expect(page.getByRole('tab', { name: 'new.html' })).toHaveAttribute('aria-selected', 'true');
	expect(await settled(page, () => shownText(page))).toMatch(
		/^<!doctype html>\n<html lang="de">\n<head>\n\t<meta charset="utf-8">[^]*\t<link rel="stylesheet" href="\.\.\/css\/a\.css">\n<\/head>\n<body>/
	);

	await page.getByRole('button', { name: 'New…' }).click();
	await dialog.getByLabel('Style element').check();
	await dialog.getByRole('button', { name: 'Create the style element' }).click();
	expect(await settled(page, () => shownText(page))).toContain('css">\n\t<style>\n\t</style>\n</head>');

	await page.getByRole('button', { name: 'New…' }).click();
	await dialog.getByLabel('Files').check();
	await dialog.getByLabel('Folder in the site').fill('fonts/');
	await dialog
		.getByLabel('From this computer')
		.setInputFiles([{ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('x') }]);
	await dialog.getByRole('button', { name: 'Add the files' }).click();
	await expect(dialog).toHaveCount(0);
	expect(Object.keys(await textsOf(server, site))).toContain('fonts/notes.txt');

	// They are dropped there, too; each is a step.
	await page.getByRole('button', { name: 'New…' }).click();
	await dialog.getByLabel('Files').check();
	const transfer = await page.evaluateHandle(() => {
		const data = new DataTransfer();
		data.items.add(new File(['p { top: 0 }'], 'dropped.css', { type: 'text/css' }));
		return data;
	});
	await dialog.locator('form').dispatchEvent('drop', { dataTransfer: transfer });
	await expect(dialog).toContainText('Chosen: dropped.css');
	await dialog.getByRole('button', { name: 'Add the files' }).click();
	await expect(dialog).toHaveCount(0);
	expect((await textsOf(server, site))['dropped.css']).toBe('p { top: 0 }');
	await page.keyboard.press('Control+z');
	await expect.poll(async () => Object.keys(await textsOf(server, site))).not.toContain('dropped.css');
});

test('a file is renamed with all that leads to it, copied and deleted, each as a step that is taken back and made again', async ({
	page,
	server
}) => {
	const site = await bring(server, {
		...SITE,
		'css/b.css': '@import "a.css";\nb { background: url(../img/x.svg) }\n',
		'img/x.svg': '<svg xmlns="http://www.w3.org/2000/svg"/>'
	});
	await openBench(page, server, site, '?page=index.html&file=css/a.css');
	const colour = () =>
		pageFrames(page)[0]?.evaluate(() => getComputedStyle(document.querySelector('p') as Element).color);
	const paths = async (): Promise<string[]> => Object.keys(await textsOf(server, site)).sort();
	const dialog = page.getByRole('dialog', { name: 'Rename, copy or delete' });
	await page.getByRole('button', { name: 'File…' }).click();
	await dialog.getByLabel('Path in the site').fill('css/b.css');
	await expect(dialog).toContainText('There is already a file css/b.css.');
	await dialog.getByLabel('Path in the site').fill('main.css');
	await expect(dialog).toContainText('3 places in 3 files that lead to it or from it will change:');
	await dialog.getByRole('button', { name: 'Rename' }).click();
	await expect(page.getByRole('tab', { name: 'main.css' })).toHaveAttribute('aria-selected', 'true');
	expect(await settled(page, colour)).toBe('rgb(255, 0, 0)');
	// The page as last saved asks for the sheet at its path then.
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.down('p');
	expect(await settled(page, colour)).toBe('rgb(255, 0, 0)');
	await page.keyboard.up('p');
	const wake = page.getByRole('status', { name: 'Wake' });
	await expect(wake).toContainText(/css\/a\.css renamed to main\.css.*Nothing c/);
	await expect(wake).not.toContainText(/finding|Mended/);
	const renamed = await paths();
	expect(renamed).toContain('main.css');
	expect(renamed).not.toContain('css/a.css');
	await page.keyboard.press('Control+s');
	await expect(page.getByText(/✓ Saved/)).toBeVisible();
	const saved = await textsOf(server, site);
	expect(saved['index.html']).toContain('href="main.css"');
	expect(saved['deep/other.html']).toContain('href="../main.css"');
	expect(saved['css/b.css']).toContain('@import "../main.css";');

	// One step: taken back, the file and what leads to it are as before; made again, as after.
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Control+z');
	await expect.poll(paths).toContain('css/a.css');
	expect(await settled(page, colour)).toBe('rgb(255, 0, 0)');
	await page.keyboard.press('Control+Shift+Z');
	await expect.poll(paths).toContain('main.css');
	await page.keyboard.press('Control+s');
	await expect(page.getByText(/✓ Saved/)).toBeVisible();
	expect(await textsOf(server, site)).toEqual(saved);

	// A copy leads where the file led.
	await page.keyboard.press('/');
	await page.keyboard.type('Rename, copy or delete css/b.css');
	await page.keyboard.press('Enter');
	await dialog.getByLabel('Path in the site').fill('css/deep/c');
	await dialog.getByRole('button', { name: 'Copy to this path' }).click();
	await expect(dialog).toHaveCount(0);
	expect((await textsOf(server, site))['css/deep/c.css']).toBe(
		'@import "../../main.css";\nb { background: url(../../img/x.svg) }\n'
	);

	// The page that is shown is followed to its new path, and back.
	await page.keyboard.press('/');
	await page.keyboard.type('Rename, copy or delete index.html');
	await page.keyboard.press('Enter');
	await dialog.getByLabel('Path in the site').fill('deep/start.html');
	await dialog.getByRole('button', { name: 'Rename' }).click();
	await expect(page).toHaveURL(/page=deep(\/|%2F)start\.html/);
	expect(await settled(page, colour)).toBe('rgb(255, 0, 0)');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Control+z');
	await expect(page).toHaveURL(/page=index\.html/);
	expect(await settled(page, colour)).toBe('rgb(255, 0, 0)');

	// A sheet that is deleted goes out of the pages that have it; what else asks for a file is named.
	await page.goto(`${server.url}/site/${site}/site`);
	await page.getByRole('button', { name: 'Rename, copy or delete img/x.svg' }).click();
	await page.getByRole('button', { name: 'Delete…' }).click();
	const deleting = page.getByRole('dialog', { name: 'Delete' });
	await expect(deleting).toContainText('Still referenced by css/b.css, css/deep/c.css');
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Rename, copy or delete main.css' }).click();
	await page.getByRole('button', { name: 'Delete…' }).click();
	await expect(deleting).toContainText('4 places in 4 files that bring it in will change:');
	await deleting.getByRole('button', { name: 'Delete the file' }).click();
	await expect(deleting).toHaveCount(0);
	await page.keyboard.press('Control+s');
	await expect(page.getByText(/✓ Saved/)).toBeVisible();
	const gone = await textsOf(server, site);
	expect(Object.keys(gone)).not.toContain('main.css');
	expect(gone['index.html']).toBe(
		SITE['index.html'].replace('\n\t<link rel=stylesheet href="css/a.css">', '')
	);
	// After a reload it comes back with what it held.
	await page.reload();
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('Control+z');
	await expect.poll(async () => (await textsOf(server, site))['main.css']).toBe(SITE['css/a.css']);
});
