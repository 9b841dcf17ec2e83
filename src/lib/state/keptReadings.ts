import { z } from 'zod';
import type { Readings } from '../core/sweep/index.ts';

/** What a stage says that it read, by key. */
export const READINGS = z.map(z.string(), z.union([z.number(), z.string()]));

/** Stores of this browser in which readings are kept over a reload: one for each page that was measured, by what it was. */
const STORE = 'vantaggio-readings ';
/** So many of them are kept, the last ones. */
const MOST = 24;
const KEPT = z.array(
	z.tuple([z.number(), z.array(z.tuple([z.string(), z.union([z.number(), z.string()])]))])
);

/** The store about something; nothing where a browser has none (not on a secure address, or switched off). */
async function storeOf(of: string): Promise<Cache | undefined> {
	if (!globalThis.isSecureContext) return undefined;
	try {
		const hash = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(of));
		const name = [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
		const store = await caches.open(`${STORE}${name}`);
		const all = (await caches.keys()).filter((one) => one.startsWith(STORE) && !one.endsWith(name));
		for (const one of all.slice(0, Math.max(0, all.length + 1 - MOST))) await caches.delete(one);
		return store;
	} catch {
		return undefined;
	}
}

/** What is kept of something that was measured, by width; nothing where nothing is, or what is there cannot be read. */
export async function keptReadings(of: string): Promise<Map<number, Readings>> {
	const known = new Map<number, Readings>();
	try {
		for (const response of (await (await storeOf(of))?.matchAll()) ?? []) {
			const kept = KEPT.safeParse(await response.json());
			for (const [width, readings] of kept.data ?? []) known.set(width, new Map(readings));
		}
	} catch {
		// What cannot be read is measured anew.
	}
	return known;
}

/** Keeps what was read at some widths. */
export async function keepReadings(of: string, read: ReadonlyMap<number, Readings>): Promise<void> {
	const [first] = read.keys();
	if (first === undefined) return;
	try {
		const text = JSON.stringify([...read].map(([width, readings]) => [width, [...readings]]));
		await (await storeOf(of))?.put(`/kept-readings/${first}`, new Response(text));
	} catch {
		// A store that is full keeps nothing more.
	}
}
