import { store } from './store.ts';
import { messageOf } from '../core/text/index.ts';
import type { DraftRecord } from '../api.ts';
import { api } from './api.ts';
import { openTabs } from './tab.ts';

interface Changed {
	readonly path: string;
	readonly base: string;
	readonly saved: string;
	/** The editor's text, ahead of what everything else uses. */
	readonly latest: string;
	readonly state: { readonly selection: { readonly main: { readonly head: number } } };
}

const caretOf = (file: Changed): number => file.state.selection.main.head;

/** The delay before a draft is sent, ms, and before it is sent again after a failure. */
const DELAY = 300;
const RETRY = 2000;

const LEFT = 'vantaggio-left';
const leftKey = (site: number, tab: string, path: string): string => JSON.stringify([LEFT, site, tab, path]);
const isLeftOf = (site: number, key: string): boolean => key.startsWith(`["${LEFT}",${site},`);

/**
 * Texts that a page could not send before it was left: kept by the browser under any tab's name, each newer than the
 * server's draft of that tab and file.
 */
function leftDrafts(site: number): DraftRecord[] {
	return store.all().flatMap(([key, value]) => {
		if (!isLeftOf(site, key)) return [];
		try {
			return [JSON.parse(value) as DraftRecord];
		} catch {
			return [];
		}
	});
}

/** The drafts for a tab, in order of preference: its own, then those of closed tabs, newest first. */
export async function draftsToTake(
	site: number,
	own: string,
	kept: readonly DraftRecord[]
): Promise<DraftRecord[]> {
	const left = leftDrafts(site);
	const alive = await openTabs();
	const isNewer = ({ path, tab }: DraftRecord): boolean =>
		!left.some((one) => one.path === path && one.tab === tab);
	const drafts = [...left, ...kept.filter(isNewer)].sort((a, b) => b.at.localeCompare(a.at));
	return [
		...drafts.filter(({ tab }) => tab === own),
		...drafts.filter(({ tab }) => tab !== own && !alive.has(tab))
	];
}

/** Deletes a draft, wherever it is kept. */
export async function forgetDraft(site: number, path: string, tab: string): Promise<void> {
	await api.dropDraft(site, path, tab);
	store.remove(leftKey(site, tab, path));
}

/**
 * Keeps the unsaved texts of this tab on the server: each is sent soon after its first change, however fast the
 * typing, one request at a time, and again until it has arrived. Where the page is left before that, the browser
 * keeps the text. `report` gets the reason why drafts are not kept, or null.
 */
export function draftKeeper(site: number, tab: string, report: (trouble: string | null) => void) {
	const waiting = new Map<string, Changed>();
	/** Files whose text the server does not have yet, waiting or being sent. */
	const unkept = new Map<string, Changed>();
	const foreign = new Map<string, string>();
	let timer: ReturnType<typeof setTimeout> | undefined;
	let sending: Promise<void> | undefined;

	function wind(delay: number): void {
		timer ??= setTimeout(() => void send(), delay);
	}

	function unwind(): void {
		clearTimeout(timer);
		timer = undefined;
	}

	function send(): Promise<void> {
		unwind();
		return (sending ??= sendAll().finally(() => {
			sending = undefined;
			if (waiting.size > 0) wind(RETRY);
		}));
	}

	async function sendAll(): Promise<void> {
		for (const [path, file] of waiting) {
			waiting.delete(path);
			try {
				const { base, latest: text } = file;
				if (text !== file.saved) await api.keepDraft(site, { path, tab, base, text, caret: caretOf(file) });
				else await api.dropDraft(site, path, tab);
				if (!waiting.has(path)) kept(path);
				const former = foreign.get(path);
				if (former !== undefined) await forgetDraft(site, path, former);
				foreign.delete(path);
				report(null);
			} catch (error) {
				if (!waiting.has(path)) waiting.set(path, file);
				for (const one of unkept.values()) keepHere(one);
				report(messageOf(error));
				return;
			}
		}
	}

	function kept(path: string): void {
		unkept.delete(path);
		store.remove(leftKey(site, tab, path));
	}

	/** Keeps in the browser what the server did not accept. */
	function keepHere(file: Changed): void {
		const { path, base, latest: text } = file;
		const left: DraftRecord = { path, tab, base, text, caret: caretOf(file), at: new Date().toISOString() };
		store.set(leftKey(site, tab, path), JSON.stringify(left));
	}

	/** The page may be about to go: what the server lacks is kept here, and sent if there is time. */
	const leave = (): void => {
		if (document.visibilityState !== 'hidden') return;
		for (const file of unkept.values()) keepHere(file);
		void send();
	};
	document.addEventListener('visibilitychange', leave);

	/** Resolves when nothing is being sent; what is waiting is dropped. */
	async function quiet(): Promise<void> {
		unwind();
		waiting.clear();
		await sending;
		waiting.clear();
	}

	return {
		/** Notes that a text has changed. */
		note(file: Changed): void {
			waiting.set(file.path, file);
			unkept.set(file.path, file);
			if (!sending) wind(DELAY);
		},
		/** Takes over a draft of a closed tab: the old copy is deleted once the new one is kept. */
		adopt(draft: DraftRecord): void {
			foreign.set(draft.path, draft.tab);
		},
		/** Notes that a text is saved and needs no draft. */
		saved: kept,
		/** Notes that the site is deleted, after which nothing is kept or sent. */
		async forget(): Promise<void> {
			await quiet();
			unkept.clear();
			for (const [key] of store.all()) if (isLeftOf(site, key)) store.remove(key);
		},
		quiet,
		close(): void {
			document.removeEventListener('visibilitychange', leave);
			void send();
		}
	};
}
