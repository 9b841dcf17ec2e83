import { z } from 'zod';
import type { Readings } from '../core/sweep/index.ts';

const READING = z.union([z.number(), z.string()]);
/** What a stage says that it read, by key. */
export const READINGS = z.map(z.string(), READING);
/** The same as it is kept. */
const KEPT = z.array(z.tuple([z.number(), z.array(z.tuple([z.string(), READING]))]));

/** Stores of this browser in which readings are kept over a reload: one for each page that was measured, by what it was. */
const STORE = 'vantaggio-readings ';
/** So many of them are kept, the last ones. */
const MOST = 24;

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

/** What is kept in a store, by width; nothing where what is there cannot be read. */
async function knownIn(store: Cache | undefined): Promise<Map<number, Readings>> {
	const known = new Map<number, Readings>();
	try {
		for (const response of (await store?.matchAll()) ?? []) {
			const kept = KEPT.safeParse(await response.json());
			for (const [width, readings] of kept.data ?? []) known.set(width, new Map(readings));
		}
	} catch {
		// What cannot be read is measured anew.
	}
	return known;
}

/** Readings of something that was measured, as this browser keeps them over a reload. */
export interface KeptReadings {
	/** What was kept before, by width. */
	known(): Promise<ReadonlyMap<number, Readings>>;
	/** Keeps what was read at some widths. */
	keep(read: ReadonlyMap<number, Readings>): Promise<void>;
}

/** Opens what is kept of something that is measured. */
export async function keptReadings(of: string): Promise<KeptReadings> {
	const store = await storeOf(of);
	return {
		known: () => knownIn(store),
		async keep(read) {
			const [first] = read.keys();
			if (first === undefined) return;
			try {
				const text = JSON.stringify([...read].map(([width, readings]) => [width, [...readings]]));
				await store?.put(`/kept-readings/${first}`, new Response(text));
			} catch {
				// A store that is full keeps nothing more.
			}
		}
	};
}
