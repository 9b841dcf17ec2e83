import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import type { Hold } from '$lib/core/wake/hold.ts';
import { sweepBlobs } from './blobs.ts';
import { database } from './database.ts';
import { keepList, listKept } from './kept.ts';
import { keepMeasurement, readMeasurement } from './measurements.ts';
import { Blob } from './models.ts';
import { createSite, deleteSite } from './sites.ts';

let folder = '';
beforeAll(async () => {
	folder = await mkdtemp(join(tmpdir(), 'vantaggio-'));
	vi.stubEnv('VANTAGGIO_DATA', folder);
});
afterAll(async () => {
	await (await database()).close();
	await rm(folder, { recursive: true, force: true });
});

const DAY = 24 * 3600 * 1000;
const file = (path: string, text: string) => ({
	path,
	kind: 'sheet' as const,
	bytes: new TextEncoder().encode(text),
	width: null,
	height: null
});
const site = (name: string, ...files: ReturnType<typeof file>[]): Promise<number> =>
	createSite({ name, root: '', files, refused: [] });

test('what nothing has named for a day goes; what is named again meanwhile stays; files and revisions keep theirs', async () => {
	const id = await site('a', file('a.css', 'a { }'));
	const { hash } = await keepMeasurement(id, { page: 'a.html', longhands: [], widths: [] });
	const hold = {
		page: 'a.html',
		widths: { cuts: [], first: true },
		scope: 'all',
		element: '',
		name: '',
		height: 800,
		density: 1,
		revision: 1,
		at: '2026-01-01T00:00:00.000Z',
		measurement: hash,
		allowed: []
	} as unknown as Hold;
	const put = async (list: Hold[]): Promise<void> => {
		const { version } = await listKept(id, 'hold');
		await keepList(id, 'hold', version, list);
	};
	await put([hold]);
	await sweepBlobs(0);
	await sweepBlobs(2 * DAY);
	await expect(readMeasurement(id, hash)).resolves.toMatchObject({ page: 'a.html' });
	// Let go of, seen so, and brought back.
	await put([]);
	await sweepBlobs(3 * DAY);
	await put([hold]);
	await sweepBlobs(5 * DAY);
	await put([]);
	await sweepBlobs(6 * DAY);
	await sweepBlobs(6.5 * DAY);
	await expect(readMeasurement(id, hash)).resolves.toMatchObject({ page: 'a.html' });
	await sweepBlobs(7 * DAY);
	await expect(readMeasurement(id, hash)).rejects.toThrow('no such measurement');
	expect(await Blob.count()).toBe(1);
});

test('with a site goes all that it alone has, measurements of holds too', async () => {
	const before = await Blob.count();
	const shared = file('shared.css', 'b { }');
	const [one, other] = [await site('b', shared, file('b.css', 'c { }')), await site('c', shared)];
	await deleteSite(one);
	expect(await Blob.count()).toBe(before + 1);
	await deleteSite(other);
	expect(await Blob.count()).toBe(before);
});
