import { tabStore } from './store.ts';
const KEY = 'vantaggio-tab';
const lockName = (tab: string): string => `vantaggio-tab:${tab}`;

/** Holds a lock for as long as this tab lives; false where another tab holds it. */
function hold(tab: string): Promise<boolean> {
	return new Promise((resolve) => {
		const held = navigator.locks.request(lockName(tab), { ifAvailable: true }, (lock) => {
			resolve(lock !== null);
			return lock ? new Promise(() => undefined) : undefined;
		});
		// Where the browser's storage is forbidden, so are locks.
		held.catch(() => resolve(true));
	});
}

let own: Promise<string> | undefined;

async function claim(): Promise<string> {
	const known = tabStore.get(KEY);
	if (known && (await hold(known))) return known;
	// A new tab, or a duplicate, which has a copy of its original's storage.
	const fresh = crypto.randomUUID();
	tabStore.set(KEY, fresh);
	await hold(fresh);
	return fresh;
}

/** This browser tab's name: the same after a reload, unique among open tabs. */
export const tabName = (): Promise<string> => (own ??= claim());

/** The tabs that are open now. */
export async function openTabs(): Promise<Set<string>> {
	const { held = [] } = await navigator.locks.query().catch((): LockManagerSnapshot => ({}));
	const prefix = lockName('');
	return new Set(held.flatMap(({ name }) => (name?.startsWith(prefix) ? [name.slice(prefix.length)] : [])));
}
