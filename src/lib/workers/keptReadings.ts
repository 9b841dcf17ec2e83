import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import * as z from 'zod/mini';
import type { Readings } from '../core/sweep/index.ts';
import { READINGS } from '../inquiry/readings.ts';

/** What was measured at some widths of something. */
type Portion = ReadonlyMap<number, Readings>;
const PORTION = z.map(z.number(), READINGS);

/**
 * A page that was measured: the size of what is stored of it, characters, and when it was last used relative to
 * others.
 */
interface Kept {
	readonly size: number;
	readonly turn: number;
}

interface Schema extends DBSchema {
	/** By a hash of what was measured. */
	kept: { key: string; value: Kept };
	/** By that hash and the first width. */
	portions: { key: [string, number]; value: Portion };
}

const NAME = 'vantaggio-readings';
/** The largest size of everything stored, characters: beyond that, the least recently used is deleted. */
const MOST = 50_000_000;
/** The largest number of entries: each time something is stored, all of them are listed. */
const MOST_THINGS = 500;

/** Everything stored of a page, by its hash. */
const portionsOf = (hash: string): IDBKeyRange => IDBKeyRange.bound([hash], [hash, []]);

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** The browser's database; it is opened again where the browser has closed it. */
function database(): Promise<IDBPDatabase<Schema>> {
	const forget = (): void => (opened = undefined);
	opened ??= openDB<Schema>(NAME, 1, {
		upgrade(db) {
			db.createObjectStore('kept');
			db.createObjectStore('portions');
		},
		terminated: forget
	});
	opened.catch(forget);
	return opened;
}

/**
 * Begins a transaction. Its requests report a failure; `done`, which rejects as well when the browser closes the
 * database, is handled here.
 */
async function begin<M extends IDBTransactionMode>(mode: M) {
	const transaction = (await database()).transaction(['kept', 'portions'], mode);
	transaction.done.catch(() => undefined);
	return transaction;
}

async function hashOf(text: string): Promise<string> {
	const hash = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text));
	return [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** Notes that an entry is used, and its growth; deletes others where there is too much. */
async function use(hash: string, more: number, portion?: Portion): Promise<void> {
	const transaction = await begin('readwrite');
	const [kept, portions] = [transaction.objectStore('kept'), transaction.objectStore('portions')];
	const all = new Map<string, Kept>();
	for (let cursor = await kept.openCursor(); cursor; cursor = await cursor.continue())
		all.set(cursor.key, cursor.value);
	const turn = 1 + Math.max(0, ...[...all.values()].map((one) => one.turn));
	const own = { size: (all.get(hash)?.size ?? 0) + more, turn };
	all.set(hash, own);
	await kept.put(own, hash);
	const [first] = portion?.keys() ?? [];
	if (portion && first !== undefined) await portions.put(portion, [hash, first]);
	let size = [...all.values()].reduce((sum, one) => sum + one.size, 0);
	let count = all.size;
	for (const [one, of] of [...all].sort(([, a], [, b]) => a.turn - b.turn)) {
		if ((size <= MOST && count <= MOST_THINGS) || one === hash) break;
		await kept.delete(one);
		await portions.delete(portionsOf(one));
		size -= of.size;
		count--;
	}
	await transaction.done;
}

/** Readings of a page that this browser keeps over a reload. */
export interface KeptReadings {
	/** The stored readings, by width. */
	known(): Promise<Map<number, Readings>>;
	/** Stores readings at some widths. */
	keep(read: Portion): Promise<void>;
}

/** The stored readings of a page; none where the browser stores nothing (a full disk, a private window). */
export async function keptReadings(of: string): Promise<KeptReadings> {
	// Not available on insecure origins.
	const hash = globalThis.isSecureContext ? await hashOf(of) : undefined;
	return {
		async known() {
			const known = new Map<number, Readings>();
			try {
				if (hash === undefined) return known;
				const portions = (await begin('readonly')).objectStore('portions');
				for (const one of await portions.getAll(portionsOf(hash)))
					for (const [width, readings] of PORTION.safeParse(one).data ?? []) known.set(width, readings);
				if (known.size > 0) await use(hash, 0);
			} catch {
				// What cannot be read is measured again.
			}
			return known;
		},
		async keep(read) {
			if (read.size === 0 || hash === undefined) return;
			try {
				await use(
					hash,
					JSON.stringify([...read].map(([width, readings]) => [width, [...readings]])).length,
					read
				);
			} catch {
				// A full database stores nothing more.
			}
		}
	};
}
