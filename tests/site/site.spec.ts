import { mkdir, mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { unzipSync, zipSync } from 'fflate';
import { bring, expect, framesShown, pageFrames, test } from '../fixtures.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

const ZIP = zipSync({
	'yard/index.html': bytes(
		'<!doctype html><title>Yard</title><link rel=stylesheet href=a.css><link rel=stylesheet href=https://cdn.test/far.css><img src=lost.png><p>yard'
	),
	'yard/other.html': bytes(
		'<!doctype html><link rel=stylesheet href=b.css><style>p{}</style><a href=gone.html>x</a>'
	),
	'yard/a.css': bytes('p { color: red }'),
	'yard/b.css': bytes('@import "a.css"; p { color: blue }'),
	'yard/loose.css': bytes('q { r: s }'),
	'../climbs.css': bytes('x')
});

test('a first visit says what to drop and offers the demo', { tag: '@smoke' }, async ({ page, empty }) => {
	await page.goto(empty.url);
	await expect(page.getByRole('heading', { name: 'Open a page of yours' })).toBeVisible();
	await page.getByRole('button', { name: 'Open the demo' }).click();
	await framesShown(page, 4);
	await expect(page.locator('header')).toContainText('Ombry Ferries');
	await page.goto(empty.url);
	await expect(page).toHaveURL(/\/site\/\d+\/bench/);
});

test('a zip is chosen, told apart, and named where something is missing', async ({ page, empty }) => {
	await page.goto(empty.url);
	const folder = await mkdtemp(join(tmpdir(), 'vantaggio-zip-'));
	await writeFile(join(folder, 'yard.zip'), ZIP);
	await page.locator('input[accept]').setInputFiles(join(folder, 'yard.zip'));
	await framesShown(page, 4);
	await expect(pageFrames(page)[0]?.locator('p') ?? page.locator('none')).toHaveCSS(
		'color',
		'rgb(255, 0, 0)'
	);
	await page.getByRole('link', { name: 'Site', exact: true }).click();
	const row = page.getByRole('row', { name: /other\.html/ });
	await expect(row).toContainText(/b\.css.*›.*in the page itself/);
	await expect(page.getByText('Used by no page: loose.css')).toBeVisible();
	await expect(
		page.getByText('https://cdn.test/far.css on another host, never fetched; referenced by index.html')
	).toBeVisible();
	await expect(page.getByText('lost.png not in this site; referenced by index.html')).toBeVisible();
	await expect(page.getByText('1 linked to but not here: gone.html')).toBeVisible();
	await expect(page.getByText('../climbs.css its path climbs out of the site')).toBeVisible();
	await row.getByRole('link', { name: 'b.css' }).click();
	await expect(page.getByRole('tab', { name: 'b.css' })).toHaveAttribute('aria-selected', 'true');
});

test('a folder is dropped with all that is in it; a drop without a page is refused with a sentence', async ({
	page,
	empty
}) => {
	await page.goto(empty.url);
	const session = await page.context().newCDPSession(page);
	const drop = async (files: Record<string, string>): Promise<void> => {
		const folder = await mkdtemp(join(tmpdir(), 'vantaggio-drop-'));
		for (const [path, text] of Object.entries(files)) {
			await mkdir(dirname(join(folder, path)), { recursive: true });
			await writeFile(join(folder, path), text);
		}
		const names = [...new Set(Object.keys(files).map((path) => path.replace(/\/.*/, '')))];
		const data = { items: [], files: names.map((name) => join(folder, name)), dragOperationsMask: 1 };
		const box = await page.locator('.drop').boundingBox();
		for (const type of ['dragEnter', 'dragOver', 'drop'] as const) {
			await session.send('Input.dispatchDragEvent', {
				type,
				x: (box?.x ?? 0) + 20,
				y: (box?.y ?? 0) + 20,
				data
			});
		}
	};
	await drop({ 'a.css': 'x' });
	await expect(page.getByRole('alert')).toHaveText(
		'No HTML page was found among 1 file; nothing was imported.'
	);
	await drop({
		'yard/one.html': '<p id=dropped>dropped<link rel=stylesheet href=look/a.css>',
		'yard/page10.html': '<p>ten',
		'yard/page2.html': '<p>two',
		'yard/look/a.css': 'p { color: rgb(1, 2, 3) }'
	});
	await framesShown(page, 4);
	await expect(pageFrames(page)[0]?.locator('#dropped') ?? page.locator('none')).toHaveCSS(
		'color',
		'rgb(1, 2, 3)'
	);
	await expect(page.getByLabel('Page', { exact: true }).locator('option')).toHaveText([
		'one.html',
		'page2.html',
		'page10.html'
	]);
	await session.detach();
});

test('a site is taken out whole and deleted when asked twice', async ({ page, empty }) => {
	const site = await bring(empty, { 'index.html': '<p>x', 'deep/data.bin': Uint8Array.from([0, 1, 2, 255]) });
	await page.goto(`${empty.url}/site/${site}/site`);
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'Export as ZIP' }).click();
	const parts: Buffer[] = [];
	for await (const part of await (await download).createReadStream()) parts.push(part as Buffer);
	const files = unzipSync(new Uint8Array(Buffer.concat(parts)));
	expect([...(files['deep/data.bin'] ?? [])]).toEqual([0, 1, 2, 255]);
	expect(Object.keys(files)).toHaveLength(2);
	await page.getByRole('button', { name: 'Delete this site…' }).click();
	await page.getByRole('button', { name: 'Keep it' }).click();
	await page.getByRole('button', { name: 'Delete this site…' }).click();
	await page.getByRole('button', { name: 'Delete it' }).click();
	await expect(page.getByRole('heading', { name: 'Open a page of yours' })).toBeVisible();
	expect((await fetch(`${empty.url}/api/sites/${site}`)).status).toBe(404);
});

test('bad requests get a sentence and a place', async ({ empty }) => {
	const site = await bring(empty, { 'index.html': '<p>x' });
	const ask = async (path: string, method: string, body: string) => {
		const response = await fetch(`${empty.url}${path}`, {
			method,
			body,
			headers: { 'content-type': 'application/json' }
		});
		return {
			status: response.status,
			contentType: response.headers.get('content-type'),
			...((await response.json()) as { detail: string })
		};
	};
	expect(await ask(`/api/sites/${site}/save`, 'POST', '{')).toMatchObject({
		status: 400,
		contentType: 'application/problem+json',
		detail: 'The request holds no readable JSON; nothing was changed.'
	});
	const misfit = await ask(
		`/api/sites/${site}/save`,
		'POST',
		'{"tab":"t","files":[{"path":"a","base":"b","text":"c"}]}'
	);
	expect(misfit.detail).toMatch(/^"files\.0\.base" is not as expected/);
	const nowhere = JSON.stringify({ tab: 't', files: [{ path: 'no.css', base: '0'.repeat(64), text: 'x' }] });
	expect(await ask(`/api/sites/${site}/save`, 'POST', nowhere)).toMatchObject({
		status: 404,
		detail: 'This site has no text file "no.css"; nothing was saved.'
	});
	expect(
		await ask(
			'/api/sites/77/drafts',
			'PUT',
			JSON.stringify({ path: 'a', tab: 't', base: '0'.repeat(64), text: '', caret: 0 })
		)
	).toMatchObject({ status: 404 });
	expect((await fetch(`${empty.url}/api/health`)).status).toBe(200);
});

test('vantages are added, changed, sorted, taken out and in; a misfit is said where it is', async ({
	page,
	server
}) => {
	const site = await bring(server, { 'index.html': '<!doctype html><p>A page' });
	await page.goto(`${server.url}/site/${site}/site`);
	const names = page.locator('#vantages tbody th');
	await page.getByRole('button', { name: 'Add a vantage' }).click();
	await page.getByLabel('Name', { exact: true }).fill('Pocket');
	await page.getByLabel('Width, px').fill('0');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByText('another vantage is called “Pocket”')).toBeVisible();
	await expect(page.getByText('0 is less than 100')).toBeVisible();
	await page.getByLabel('Name', { exact: true }).fill('Till');
	await page.getByLabel('Width, px').fill('444');
	await page.getByLabel('Zoom, %').fill('200');
	await page.getByLabel('one is coarse').check();
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(names.last()).toHaveText('Till');
	await page.getByRole('button', { name: 'Till up' }).click();
	await expect(names).toHaveText(['Pocket', 'Handset', 'Slate', 'Notebook', 'Desk', 'Till', 'Wall']);
	await expect(page.getByRole('button', { name: 'Till up' })).toBeFocused();
	await page.getByLabel('Till beside the lead').check();
	await page.getByRole('button', { name: 'Delete Pocket' }).click();
	await expect(names).toHaveCount(6);
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(names).toHaveCount(7);

	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'Export vantages' }).click();
	const file = await (await download).path();
	await page.getByLabel('File of vantages').setInputFiles(file);
	await expect(names).toHaveCount(14);
	await expect(names.last()).toHaveText('Wall 2');
	await page.getByLabel('File of vantages').setInputFiles({
		name: 'other.json',
		mimeType: 'application/json',
		buffer: Buffer.from('{"format":"vantaggio-vantages-1","vantages":[{"name":"A","width":0,"height":9999}]}')
	});
	await expect(page.getByRole('alert')).toHaveText(
		'other.json: Vantage 1 (“A”), width: 0 is less than 100. Nothing was imported.'
	);

	await page.reload();
	await expect(names).toHaveCount(14);
	await page.goto(`${server.url}/site/${site}/bench`);
	await expect(page.getByLabel('Lead as')).toBeVisible();
	await page.keyboard.press('6');
	await expect(page.getByLabel('Width of the carriage, px')).toHaveValue('222');
	await expect(page.getByLabel('Height of the window, px')).toHaveValue('400');
	await page.keyboard.press('v');
	await expect(page.getByLabel('Lead as')).toHaveValue('Wall');
	await page.keyboard.press('0');
	await expect(page.getByLabel('Lead as')).toHaveValue('');
});

test('two tabs do not overwrite each other’s vantages', async ({ page, server, context }) => {
	const site = await bring(server, { 'index.html': '<!doctype html><p>A page' });
	const other = await context.newPage();
	for (const one of [page, other]) await one.goto(`${server.url}/site/${site}/site`);
	// As if the other tab had not heard: its list is of before.
	const { vantagesVersion: base } = (await (await fetch(`${server.url}/api/sites/${site}`)).json()) as {
		vantagesVersion: string;
	};
	await page.getByRole('button', { name: 'Delete Wall' }).click();
	await expect(other.locator('#vantages tbody th')).toHaveCount(5);
	const reply = await fetch(`${server.url}/api/sites/${site}/vantages`, {
		method: 'PUT',
		headers: { 'content-type': 'application/json', origin: server.url },
		body: JSON.stringify({ base, vantages: [] })
	});
	expect(reply.status).toBe(409);
	await expect(page.locator('#vantages tbody th')).toHaveCount(5);
});
