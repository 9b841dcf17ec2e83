import { notify } from './notices.svelte.ts';

const FORGOTTEN =
	'This browser keeps nothing for this page (its storage is full or forbidden): places and sizes are not remembered. Everything else works.';

/** Texts stored in the browser by name; where that fails, they are kept as long as the page is open. */
export interface Store {
	get(name: string): string | null;
	/** False where it is only kept as long as the page is open. */
	set(name: string, text: string): boolean;
	remove(name: string): void;
	/** Every name with its text. */
	all(): [name: string, text: string][];
}

function guarded(storage: () => Storage): Store {
	/** Texts that the browser did not accept; null where the stored one counts as deleted. */
	const own = new Map<string, string | null>();
	const ask = <X>(work: (storage: Storage) => X, otherwise: X): X => {
		try {
			return work(storage());
		} catch {
			notify(FORGOTTEN);
			return otherwise;
		}
	};
	return {
		get: (name) => own.get(name) ?? (own.has(name) ? null : ask((of) => of.getItem(name), null)),
		set(name, text) {
			const kept = ask((of) => {
				of.setItem(name, text);
				return true;
			}, false);
			if (kept) own.delete(name);
			else own.set(name, text);
			return kept;
		},
		remove(name) {
			own.delete(name);
			if (!ask((of) => (of.removeItem(name), true), false)) own.set(name, null);
		},
		all: () => [
			...ask((of) => Object.entries(of) as [string, string][], []).filter(([name]) => !own.has(name)),
			...[...own].filter((entry): entry is [string, string] => entry[1] !== null)
		]
	};
}

/** Shared by all tabs, and kept when the browser is closed. */
export const store = guarded(() => localStorage);
/** The same under the names that libraries know it by. */
export const asStorage = {
	getItem: store.get,
	setItem: (name: string, text: string) => void store.set(name, text)
};
/** For this tab, as long as it is open. */
export const tabStore = guarded(() => sessionStorage);

/** The JSON value stored under a name; null where there is none, or it is invalid. */
export function storedJson(name: string, from: Store = store): unknown {
	try {
		return JSON.parse(from.get(name) ?? 'null');
	} catch {
		return null;
	}
}
