import { spawnSync } from 'node:child_process';
import { mkdir, mkdtemp, open, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync, strFromU8 } from 'fflate';
import { Sequelize } from 'sequelize';
import { bring, expect, framesShown, openBench, pageFrames, Server, shownText, test } from '../fixtures.ts';
import { settled } from '../rest.ts';

/** What a server says that does not start. */
const refusalOf = (server: Server): Promise<string> =>
	server.start().then(
		() => 'it starts',
		(error: unknown) => String(error)
	);

async function withFolder(work: (folder: string) => Promise<void>): Promise<void> {
	const folder = await mkdtemp(join(tmpdir(), 'vantaggio-'));
	try {
		await work(folder);
	} finally {
		await rm(folder, { recursive: true, force: true });
	}
}

const mount = (...args: readonly string[]): boolean => spawnSync('mount', args).status === 0;

/** A small disk of its own; false where this user may mount none. */
const mountDisk = (folder: string): boolean => mount('-t', 'tmpfs', '-o', 'size=20m', 'tmpfs', folder);

const PAGE = '<!doctype html><link rel=stylesheet href=a.css><p>words</p>';

test('a full disk is said, loses nothing, and stops nothing: there is room again, it works again', async ({
	page
}) => {
	await withFolder(async (folder) => {
		test.skip(!mountDisk(folder), 'Only root may mount a small disk.');
		const server = new Server(folder, { VANTAGGIO_LOG: 'info' });
		try {
			await server.start();
			const site = await bring(server, { 'index.html': PAGE, 'a.css': 'p { color: red }' });
			await openBench(page, server, site);
			// All room is taken, to the last byte.
			const filler = join(folder, 'filler');
			const fill = await open(filler, 'w');
			for (const size of [1024 * 1024, 4096, 1])
				while (
					await fill.write(Buffer.alloc(size)).then(
						({ bytesWritten }) => bytesWritten === size,
						() => false
					)
				);
			await fill.close();
			await page.locator('.cm-content').click();
			await page.keyboard.press('Control+End');
			await page.keyboard.insertText(`/* ${'long '.repeat(20_000)}*/ p { width: 123px }`);
			await expect(
				page.getByText('The disk is full; your text is kept in the browser.').first()
			).toBeVisible();
			for (let i = 0; i < 50; i++) expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
			const refused = await fetch(`${server.url}/api/sites?demo`, { method: 'POST' });
			expect(refused.status).toBe(507);
			expect(((await refused.json()) as { detail: string }).detail).toContain('The disk is full');
			expect((await fetch(`${server.url}/api/sites`)).status).toBe(200);
			// The server is killed, the page left: the browser has the text.
			await server.kill();
			await rm(filler);
			await server.start();
			await page.reload();
			await framesShown(page, 4);
			expect(await settled(page, () => shownText(page))).toContain('p { width: 123px }');
			await page.keyboard.press('Control+s');
			await expect(page.getByText('✓ Saved · revision 2')).toBeVisible();
		} finally {
			await server.kill();
			spawnSync('umount', [folder]);
		}
	});
});

test('a folder that cannot be written into, one that is served already and a port in use are each told in a sentence', async ({
	server
}) => {
	const second = new Server(server.data);
	expect(await refusalOf(second)).toMatch(
		/Process \d+ serves .* already\. Use that one, stop it, or set VANTAGGIO_DATA/
	);
	await withFolder(async (folder) => {
		expect(await refusalOf(new Server(folder, { PORT: server.port }))).toContain(
			`Port ${server.port} is taken`
		);
		await writeFile(join(folder, 'file'), '');
		expect(await refusalOf(new Server(join(folder, 'file', 'data')))).toMatch(
			/cannot be written into .*\. Make it writable/
		);
		await mkdir(join(folder, 'locked'));
		if (mount('-t', 'tmpfs', '-o', 'ro', 'tmpfs', join(folder, 'locked'))) {
			expect(await refusalOf(new Server(join(folder, 'locked')))).toMatch(
				/cannot be written into .*\. Make it writable/
			);
			spawnSync('umount', [join(folder, 'locked')]);
		}
	});
});

test('a damaged database is set aside, what can be read of it is brought over, and the first screen says so', async ({
	page
}) => {
	await withFolder(async (folder) => {
		const server = new Server(folder);
		await server.start('--demo');
		const site = await bring(server, {
			'index.html': PAGE,
			'a.css': 'p { color: red }',
			'b.bin': new Uint8Array(300_000).fill(7)
		});
		await server.kill();
		// Its log is written back, so that what is damaged is the database itself: pages of the file of sevens.
		const file = join(folder, 'vantaggio.sqlite');
		const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
		await sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
		await sequelize.close();
		const begin = Math.ceil((await readFile(file)).indexOf(Buffer.alloc(4000, 7)) / 4096) * 4096;
		const damage = await open(file, 'r+');
		for (let at = begin + 40_960; at < begin + 100_000; at += 4096)
			await damage.write(Buffer.alloc(1000, 0xa5), 0, 1000, at);
		await damage.close();
		await server.start();
		await page.goto(server.url);
		await expect(
			page.getByText(
				/The database was damaged and was set aside as vantaggio-damaged-\S+\.sqlite\. 2 sites with \d+ files could be read/
			)
		).toBeVisible();
		await openBench(page, server, site);
		await expect(pageFrames(page)[0]?.locator('p') ?? page.locator('none')).toHaveCSS(
			'color',
			'rgb(255, 0, 0)'
		);
		expect(
			(await readdir(folder)).filter((name) => /^vantaggio-damaged-.*\.sqlite$/.test(name))
		).toHaveLength(1);
		await server.kill();
		// What is no database at all is set aside like that.
		for (const ending of ['-wal', '-shm']) await rm(file + ending, { force: true });
		await writeFile(file, 'no database '.repeat(5000));
		await server.start();
		await page.goto(server.url);
		await expect(page.getByText(/0 sites with 0 files could be read/)).toBeVisible();
		await server.kill();
	});
});

test('a database of a later version is refused with both versions, and left as it is', async () => {
	await withFolder(async (folder) => {
		const server = new Server(folder);
		await server.start();
		await server.kill();
		const sequelize = new Sequelize({
			dialect: 'sqlite',
			storage: join(folder, 'vantaggio.sqlite'),
			logging: false
		});
		await sequelize.query("INSERT INTO migration (name) VALUES ('0099-later')");
		await sequelize.close();
		expect(await refusalOf(server)).toMatch(
			/later version of Vantaggio \(database 0099-later\); this one knows it up to \d{4}-/
		);
	});
});

test('a database that another program holds is said, and the next try is kept', async () => {
	await withFolder(async (folder) => {
		const server = new Server(folder);
		await server.start();
		const site = await bring(server, { 'index.html': PAGE, 'a.css': 'p { color: red }' });
		const sequelize = new Sequelize({
			dialect: 'sqlite',
			storage: join(folder, 'vantaggio.sqlite'),
			logging: false
		});
		const keep = (): Promise<Response> =>
			fetch(`${server.url}/api/sites/${site}/drafts`, {
				method: 'PUT',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ path: 'a.css', tab: 't', base: 'a'.repeat(64), text: 'x', caret: 0 })
			});
		await sequelize.query('BEGIN EXCLUSIVE');
		const refused = await keep();
		expect(refused.status).toBe(503);
		expect(((await refused.json()) as { detail: string }).detail).toContain(
			'The database is in use by another program. Your text is kept in the browser.'
		);
		await sequelize.query('ROLLBACK');
		expect((await keep()).status).toBe(204);
		await sequelize.close();
		await server.kill();
	});
});

test('every file goes out again, whatever its name; a text with NUL is refused with a sentence', async ({
	server
}) => {
	const files = { 'index.html': PAGE, 'a.css': 'p { color: red }', __proto__x: '1', constructor: '2' };
	const entries = [...Object.entries(files), ['__proto__', 'own'] as const];
	const form = new FormData();
	for (const [path, content] of entries) {
		form.append('path', path);
		form.append('file', new File([content], path));
	}
	const reply = await fetch(`${server.url}/api/sites`, { method: 'POST', body: form });
	const { id } = (await reply.json()) as { id: number };
	const zip = new Uint8Array(await (await fetch(`${server.url}/api/sites/${id}/export`)).arrayBuffer());
	const names: string[] = [];
	const unzipped = unzipSync(zip, { filter: ({ name }) => names.push(name) > 0 && name !== '__proto__' });
	expect(names.sort()).toEqual(entries.map(([path]) => path).sort());
	expect(strFromU8(unzipped['a.css'] ?? new Uint8Array())).toBe(files['a.css']);

	const json = { 'content-type': 'application/json' };
	const draft = { path: 'a.css', tab: 't', base: 'a'.repeat(64), text: 'a\0b', caret: 0 };
	for (const [method, path, body] of [
		['PUT', 'drafts', draft],
		['POST', 'save', { tab: 't', files: [{ path: 'a\0', base: draft.base, text: '' }] }],
		['PUT', 'kept/staged', { base: draft.base, list: [{ name: '\0' }] }],
		['DELETE', 'drafts?path=a%00&tab=t', undefined],
		['GET', 'originals/%00', undefined]
	] as const) {
		const answer = await fetch(`${server.url}/api/sites/${id}/${path}`, {
			method,
			headers: json,
			...(body ? { body: JSON.stringify(body) } : {})
		});
		expect(answer.status, path).toBe(400);
		expect(((await answer.json()) as { detail: string }).detail).toContain('NUL');
	}
	expect((await fetch(`${server.url}/stage/${id}/a%00b`)).status).toBe(400);
});

test('a browser that keeps nothing is told once, and everything works without it', async ({
	page,
	server
}) => {
	await page.addInitScript(() => {
		for (const name of ['localStorage', 'sessionStorage'])
			Object.defineProperty(window, name, {
				get: () => {
					throw new DOMException('Storage is forbidden.', 'SecurityError');
				}
			});
		navigator.locks.request = () => Promise.reject(new DOMException('Locks are forbidden.', 'SecurityError'));
		navigator.locks.query = () => Promise.reject(new DOMException('Locks are forbidden.', 'SecurityError'));
	});
	const site = await bring(server, { 'index.html': PAGE, 'a.css': 'p { color: red }' });
	await openBench(page, server, site);
	await expect(page.getByText('This browser keeps nothing for this page')).toHaveCount(1);
	await page.getByRole('button', { name: 'Understood' }).click();
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText(' p { width: 99px }');
	await expect(pageFrames(page)[0]?.locator('p') ?? page.locator('none')).toHaveCSS('width', '99px');
	await page.getByText('Vantaggio', { exact: true }).click();
	await page.keyboard.press('f');
	await page.keyboard.press('w');
	await page.keyboard.press('Control+s');
	await expect(page.getByText('✓ Saved · revision 2')).toBeVisible();
	await expect(page.getByText('This browser keeps nothing for this page')).toHaveCount(0);
});

test('a part that cannot be loaded is asked for again until it comes', async ({ page, server }) => {
	let away = true;
	await page.route(/\/_app\/immutable\//, (route) =>
		away && route.request().resourceType() === 'script' && page.url().includes('/bench')
			? route.abort('internetdisconnected')
			: route.continue()
	);
	const site = await bring(server, { 'index.html': PAGE, 'a.css': 'p { color: red }' });
	away = false;
	await openBench(page, server, site);
	away = true;
	await page.getByRole('tab', { name: 'Outline' }).click();
	await expect(page.getByText('Part of the application has not loaded yet')).toBeVisible();
	away = false;
	await expect(page.getByRole('treeitem').first()).toBeVisible();
});

test('a thread whose script cannot be loaded is asked again until it comes', async ({ page, server }) => {
	let away = true;
	await page.route(/\/_app\/immutable\/workers\//, (route) =>
		away ? route.abort('internetdisconnected') : route.continue()
	);
	const site = await bring(server, { 'index.html': PAGE, 'a.css': 'p { colr: red }' });
	await page.goto(`${server.url}/site/${site}/bench?file=a.css`);
	await expect(page.getByText('Part of the application has not loaded yet')).toBeVisible();
	await expect(page.locator('.cm-note')).toHaveCount(0);
	away = false;
	await expect(page.locator('.cm-note')).toContainText('There is no property');
});
