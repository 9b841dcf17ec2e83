import { store } from './store.ts';
import { messageOf } from '../core/text/index.ts';
import type { DraftRecord } from '../api.ts';
import { api } from './api.ts';
import { openTabs } from './tab.ts';

interface Changed {
	readonly path: string;
	readonly base: string;
	readonly saved: string;
	/** The text with all that was typed, ahead of what else goes by it. */
	readonly latest: string;
	readonly state: { readonly selection: { readonly main: { readonly head: number } } };
}

const caretOf = (file: Changed): number => file.state.selection.main.head;

/** How long after a change its draft is sent, ms; and how long after a failure it is sent again. */
const DELAY = 300;
const RETRY = 2000;

const LEFT = 'vantaggio-left';
const leftKey = (site: number, tab: string, path: string): string => JSON.stringify([LEFT, site, tab, path]);
const isLeftOf = (site: number, key: string): boolean => key.startsWith(`["${LEFT}",${site},`);

/**
 * Texts that a page had not got through to the server when it was left: kept by the browser, in any tab's name,
 * each newer than what the server has of that tab and file.
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

/** The drafts that a tab takes up, those first that are to be taken: its own, then those of tabs that are gone, newest first. */
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

/** Lets go of a draft, wherever it is kept. */
export async function forgetDraft(site: number, path: string, tab: string): Promise<void> {
	await api.dropDraft(site, path, tab);
	store.remove(leftKey(site, tab, path));
}

/**
 * Keeps what is unsaved in this tab on the server: each changed text is sent soon after its first change,
 * however fast the typing goes on, one request at a time, and again until it has arrived. When the page is left
 * before that, the browser keeps the text. `report` hears why drafts are not kept, or null.
 */
export function draftKeeper(site: number, tab: string, report: (trouble: string | null) => void) {
	const waiting = new Map<string, Changed>();
	/** Files whose text the server does not have yet, whether it waits or is on its way. */
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

	/** Keeps in the browser what the server has not taken. */
	function keepHere(file: Changed): void {
		const { path, base, latest: text } = file;
		const left: DraftRecord = { path, tab, base, text, caret: caretOf(file), at: new Date().toISOString() };
		store.set(leftKey(site, tab, path), JSON.stringify(left));
	}

	/** The page may be gone in a moment: what the server lacks is kept here, and sent if there is time. */
	const leave = (): void => {
		if (document.visibilityState !== 'hidden') return;
		for (const file of unkept.values()) keepHere(file);
		void send();
	};
	document.addEventListener('visibilitychange', leave);

	/** Resolves when nothing is under way, with nothing waiting to be sent. */
	async function quiet(): Promise<void> {
		unwind();
		waiting.clear();
		await sending;
		waiting.clear();
	}

	return {
		/** A text has changed. */
		note(file: Changed): void {
			waiting.set(file.path, file);
			unkept.set(file.path, file);
			if (!sending) wind(DELAY);
		},
		/** A draft of a tab that is gone has become this tab's: its old copy goes once the new one is kept. */
		adopt(draft: DraftRecord): void {
			foreign.set(draft.path, draft.tab);
		},
		/** A text is saved: it needs no draft. */
		saved: kept,
		/** The site is deleted: nothing of its texts is kept or sent any more. */
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
