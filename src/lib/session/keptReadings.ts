import { z } from 'zod';
import type { Readings } from '../core/sweep/index.ts';
import { store, storedJson } from './store.ts';

const READING = z.union([z.number(), z.string()]);
/** What a stage says that it read, by key. */
export const READINGS = z.map(z.string(), READING);
/** The same as it is kept. */
const KEPT = z.array(z.tuple([z.number(), z.array(z.tuple([z.string(), READING]))]));

/** Stores of this browser in which readings are kept over a reload: one for each page that was measured, by what it was. */
const STORE = 'vantaggio-readings ';
/** How much is kept in all of them, characters: beyond that those that were not used for longest go. */
const MOST = 50_000_000;
/** How many there are at most: each time that something is kept, all of them are listed. */
const MOST_STORES = 500;

/** How much each store has, and how many others were used before it; by its name. */
type Ledger = Record<string, { readonly size: number; readonly turn: number }>;

const LEDGER = 'vantaggio-readings';
const ledgerSchema = z.record(z.string(), z.object({ size: z.number(), turn: z.number() }));
const ledger = (): Ledger => ledgerSchema.safeParse(storedJson(LEDGER)).data ?? {};

/** Notes that a store is used, and has so much more; lets go of others where there is too much. */
async function use(name: string, more: number): Promise<void> {
	const noted = ledger();
	const turn = 1 + Math.max(0, ...Object.values(noted).map((one) => one.turn));
	const all: Ledger = { ...noted, [name]: { size: (noted[name]?.size ?? 0) + more, turn } };
	// Of another tab, or of a version that noted nothing.
	const present = (await caches.keys()).filter((one) => one.startsWith(STORE));
	const others = present
		.filter((one) => one !== name)
		.sort((a, b) => (all[a]?.turn ?? 0) - (all[b]?.turn ?? 0));
	let sum = Object.values(all).reduce((total, { size }) => total + size, 0);
	const gone = new Set(Object.keys(all).filter((one) => one !== name && !present.includes(one)));
	let count = others.length + 1;
	for (const one of others) {
		if (sum <= MOST && count <= MOST_STORES && all[one]) continue;
		count--;
		await caches.delete(one);
		sum -= all[one]?.size ?? 0;
		gone.add(one);
	}
	store.set(
		LEDGER,
		JSON.stringify(Object.fromEntries(Object.entries(all).filter(([one]) => !gone.has(one))))
	);
}

/** The name of the store about something; nothing where a browser has none (not on a secure address, or switched off). */
async function nameOf(of: string): Promise<string | undefined> {
	if (!globalThis.isSecureContext) return undefined;
	try {
		const hash = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(of));
		return `${STORE}${[...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`;
	} catch {
		return undefined;
	}
}

/** What is kept in a store, by width; nothing where what is there cannot be read. */
async function knownIn(name: string | undefined): Promise<Map<number, Readings>> {
	const known = new Map<number, Readings>();
	try {
		if (name === undefined || !(await caches.has(name))) return known;
		for (const response of await (await caches.open(name)).matchAll()) {
			const kept = KEPT.safeParse(await response.json());
			for (const [width, readings] of kept.data ?? []) known.set(width, new Map(readings));
		}
		await use(name, 0);
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
	const name = await nameOf(of);
	return {
		known: () => knownIn(name),
		async keep(read) {
			const [first] = read.keys();
			if (first === undefined || name === undefined) return;
			try {
				const text = JSON.stringify([...read].map(([width, readings]) => [width, [...readings]]));
				await use(name, text.length);
				await (await caches.open(name)).put(`/kept-readings/${first}`, new Response(text));
			} catch {
				// A store that is full keeps nothing more.
			}
		}
	};
}
