import { messageOf } from '../core/text/index.ts';
import { notify } from './notices.svelte.ts';

const LATE =
	'Part of the application has not loaded yet: the server does not answer. Trying again until it does.';
/** The message where the styles of a part cannot be loaded. */
const UNFETCHED = /^Unable to preload/;
/** The pause before a part is requested again, ms: the first, and the longest. */
const [FIRST, LONGEST] = [500, 8000];

/** Loads a part of the application on demand, trying again until it succeeds. */
export async function insist<X>(load: () => Promise<X>, say: () => void = () => notify(LATE)): Promise<X> {
	for (let wait = FIRST; ; wait = Math.min(2 * wait, LONGEST)) {
		try {
			return await load();
		} catch (error) {
			// A part that was loaded but does not run is another matter.
			if (!(error instanceof TypeError) && !UNFETCHED.test(messageOf(error))) throw error;
			say();
			await new Promise((resolve) => setTimeout(resolve, wait));
		}
	}
}

/** The initial pause before anything is loaded, ms, so that what is on the screen comes first. */
const REST = 3000;

/** Loads parts one after another while idle. */
export async function loadQuietly(
	parts: readonly (() => Promise<unknown>)[],
	signal: AbortSignal
): Promise<void> {
	await new Promise<void>((resolve) => {
		const timer = setTimeout(resolve, REST);
		// Pending callbacks keep no closed site in memory.
		signal.addEventListener('abort', () => {
			clearTimeout(timer);
			resolve();
		});
	});
	for (const part of parts) {
		if (signal.aborted) return;
		await new Promise<void>((resolve) => requestIdleCallback(() => resolve()));
		// Nobody is waiting for it.
		await insist(part, () => undefined);
	}
}
