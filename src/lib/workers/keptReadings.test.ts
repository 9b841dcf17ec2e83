import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { beforeEach, expect, test, vi } from 'vitest';
import type { Readings } from '../core/sweep/index.ts';
import { keptReadings } from './keptReadings.ts';

const stored = () => openDB('vantaggio-readings');
beforeEach(async () => {
	vi.stubGlobal('isSecureContext', true);
	// The first that is asked for makes the store.
	await (await keptReadings('')).known();
	const db = await stored();
	await Promise.all([db.clear('kept'), db.clear('portions')]);
	db.close();
});

const readings = (width: number, size = 1): Map<number, Readings> =>
	new Map([[width, new Map([['word 1.0', 'x'.repeat(size)]])]]);
const known = async (of: string) => [...(await (await keptReadings(of)).known()).keys()];
async function countOf(name: 'kept' | 'portions'): Promise<number> {
	const db = await stored();
	const count = await db.count(name);
	db.close();
	return count;
}

test('what is kept of something is all there, whatever portions it came in', async () => {
	const kept = await keptReadings('a');
	await kept.keep(new Map([...readings(400), ...readings(300)]));
	await kept.keep(readings(500));
	await kept.keep(new Map());
	expect(await (await keptReadings('a')).known()).toEqual(
		new Map([...readings(400), ...readings(300), ...readings(500)])
	);
	expect(await known('b')).toEqual([]);
});

test('many edits do not put out what was measured before', async () => {
	await (await keptReadings('at first')).keep(readings(400, 1_000_000));
	for (let edit = 0; edit < 100; edit++) {
		const kept = await keptReadings(`edit ${edit}`);
		expect(await kept.known()).toEqual(new Map());
		await kept.keep(readings(500, 1000));
	}
	expect(await known('at first')).toEqual([400]);
	expect(await known('edit 3')).toEqual([500]);
});

test('beyond what may be kept go those that were not used for longest', async () => {
	for (const name of ['a', 'b', 'c', 'd']) await (await keptReadings(name)).keep(readings(400, 11_000_000));
	expect(await known('a')).toEqual([400]);
	await (await keptReadings('e')).keep(readings(400, 11_000_000));
	expect([await countOf('kept'), await countOf('portions')]).toEqual([4, 4]);
	expect(await known('b')).toEqual([]);
	expect(await known('a')).toEqual([400]);
});

test('however little each has, no more than five hundred are kept', async () => {
	for (let i = 0; i < 510; i++) await (await keptReadings(`little ${i}`)).keep(readings(400));
	expect([await countOf('kept'), await countOf('portions')]).toEqual([500, 500]);
	expect(await known('little 9')).toEqual([]);
	expect(await known('little 10')).toEqual([400]);
});

test('where the browser keeps nothing, nothing is known, and nothing fails', async () => {
	vi.stubGlobal('isSecureContext', false);
	const kept = await keptReadings('a');
	await kept.keep(readings(400));
	expect(await kept.known()).toEqual(new Map());
});

test('where the browser closes its store meanwhile, nothing fails, and no rejection is left unheard', async () => {
	const unheard = vi.fn();
	process.on('unhandledRejection', unheard);
	const closing = function (this: IDBObjectStore): never {
		this.transaction.abort();
		throw new DOMException('Connection is closing.', 'UnknownError');
	};
	const kept = await keptReadings('a');
	const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(closing);
	await kept.keep(readings(400));
	put.mockRestore();
	const getAll = vi.spyOn(IDBObjectStore.prototype, 'getAll').mockImplementation(closing);
	expect(await kept.known()).toEqual(new Map());
	getAll.mockRestore();
	await kept.keep(readings(500));
	expect(await known('a')).toEqual([500]);
	process.off('unhandledRejection', unheard);
	expect(unheard.mock.calls).toEqual([]);
});
