import { readHistory, writeHistory, type History } from '../core/history/index.ts';
import { storedJson, tabStore } from './store.ts';

/** The delay after a change before the history is stored, ms. */
const DELAY = 500;
/** How much text of its steps is stored, UTF-16 units: a tab's storage holds about ten times as much. */
const MOST = 400_000;

type TextOf = (path: string) => string | undefined;

/** Stores the history of a site in this tab's storage, soon after each change, and when the page is left. */
export function historyKeeper(site: number, tab: string) {
	const key = JSON.stringify(['vantaggio-steps', site, tab]);
	let timer: ReturnType<typeof setTimeout> | undefined;
	let keep: () => void = () => undefined;

	function stop(): boolean {
		const wasWaiting = timer !== undefined;
		clearTimeout(timer);
		timer = undefined;
		return wasWaiting;
	}

	const leave = (): void => {
		if (document.visibilityState === 'hidden' && stop()) keep();
	};
	document.addEventListener('visibilitychange', leave);

	return {
		/** The part of the stored history that still applies; undefined where none is stored. */
		kept: (textOf: TextOf): History | undefined => readHistory(storedJson(key, tabStore), textOf),
		/** Notes that the history has changed. */
		note(now: () => History, textOf: TextOf): void {
			keep = () => tabStore.set(key, writeHistory(now(), MOST, textOf));
			timer ??= setTimeout(() => {
				stop();
				keep();
			}, DELAY);
		},
		/** Stops storing, and deletes what is stored. */
		forget(): void {
			stop();
			tabStore.remove(key);
		},
		close(): void {
			if (stop()) keep();
			document.removeEventListener('visibilitychange', leave);
		}
	};
}

export type HistoryKeeper = ReturnType<typeof historyKeeper>;
