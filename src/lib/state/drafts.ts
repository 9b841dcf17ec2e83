import type { DraftRecord } from '../api.ts';
import { api } from './api.ts';

interface Changed {
	readonly path: string;
	readonly base: string;
	readonly text: string;
	readonly dirty: boolean;
	/** Brings the text up to what was typed last. */
	settle(): void;
	readonly state: { readonly selection: { readonly main: { readonly head: number } } };
}

/** How long after a change its draft is sent, ms; and how long after a failure it is sent again. */
const DELAY = 300;
const RETRY = 2000;

/**
 * Keeps what is unsaved in this tab on the server: each changed text is sent soon after its first change,
 * however fast the typing goes on, one request at a time, and again until it has arrived. `tell` hears why drafts are not kept, or null.
 */
export function draftKeeper(site: number, tab: string, tell: (trouble: string | null) => void) {
	const waiting = new Map<string, Changed>();
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
				file.settle();
				if (file.dirty) {
					const { base, text } = file;
					await api.keepDraft(site, { path, tab, base, text, caret: file.state.selection.main.head });
				} else await api.dropDraft(site, path, tab);
				const former = foreign.get(path);
				if (former !== undefined) await api.dropDraft(site, path, former);
				foreign.delete(path);
				tell(null);
			} catch (error) {
				if (!waiting.has(path)) waiting.set(path, file);
				tell(error instanceof Error ? error.message : String(error));
				return;
			}
		}
	}

	const leave = (): void => {
		if (document.visibilityState === 'hidden') void send();
	};
	document.addEventListener('visibilitychange', leave);

	return {
		/** A text has changed. */
		note(file: Changed): void {
			waiting.set(file.path, file);
			if (!sending) wind(DELAY);
		},
		/** A draft of a tab that is gone has become this tab's: its old copy goes once the new one is kept. */
		adopt(draft: DraftRecord): void {
			foreign.set(draft.path, draft.tab);
		},
		/** Resolves when nothing is under way, with nothing waiting to be sent. */
		async quiet(): Promise<void> {
			unwind();
			waiting.clear();
			await sending;
			waiting.clear();
		},
		close(): void {
			document.removeEventListener('visibilitychange', leave);
			void send();
		}
	};
}
