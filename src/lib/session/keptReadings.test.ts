import { beforeEach, expect, test, vi } from 'vitest';
import type { Readings } from '../core/sweep/index.ts';
import { keptReadings } from './keptReadings.ts';

/** The browser's stores, as far as they are asked for. */
const stores = new Map<string, Map<string, string>>();
beforeEach(() => {
	stores.clear();
	const texts = new Map<string, string>();
	vi.stubGlobal('isSecureContext', true);
	vi.stubGlobal('localStorage', {
		getItem: (name: string) => texts.get(name) ?? null,
		setItem: (name: string, text: string) => void texts.set(name, text),
		removeItem: (name: string) => void texts.delete(name)
	});
	vi.stubGlobal('caches', {
		keys: () => Promise.resolve([...stores.keys()]),
		has: (name: string) => Promise.resolve(stores.has(name)),
		delete: (name: string) => Promise.resolve(stores.delete(name)),
		open(name: string) {
			const store = stores.get(name) ?? new Map<string, string>();
			stores.set(name, store);
			return Promise.resolve({
				matchAll: () => Promise.resolve([...store.values()].map((text) => new Response(text))),
				put: async (at: string, response: Response) => void store.set(at, await response.text())
			});
		}
	});
});

const readings = (width: number, size = 1): Map<number, Readings> =>
	new Map([[width, new Map([['word 1.0', 'x'.repeat(size)]])]]);
const known = async (of: string) => [...(await (await keptReadings(of)).known()).keys()];

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
	expect(stores.size).toBe(4);
	expect(await known('b')).toEqual([]);
	expect(await known('a')).toEqual([400]);
	// A store that nobody has noted, of an earlier version, goes first.
	stores.set('vantaggio-readings of old', new Map());
	await (await keptReadings('e')).keep(readings(500));
	expect([...stores.keys()].some((name) => name.endsWith('of old'))).toBe(false);
	expect(await known('a')).toEqual([400]);
});

test('however little each has, no more than five hundred are kept', async () => {
	stores.clear();
	for (let i = 0; i < 510; i++) await (await keptReadings(`little ${i}`)).keep(readings(400));
	expect(stores.size).toBe(500);
	expect(await known('little 9')).toEqual([]);
	expect(await known('little 10')).toEqual([400]);
});
