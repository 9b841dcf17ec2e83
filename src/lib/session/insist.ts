import { messageOf } from '../core/text/index.ts';
import { notify } from './notices.svelte.ts';

const LATE =
	'Part of the application has not loaded yet: the server does not answer. Trying again until it does.';
/** What is said where the styles of a part cannot be had. */
const UNFETCHED = /^Unable to preload/;
/** How long it is waited before a part is asked for again, ms: at first, and at most. */
const [FIRST, LONGEST] = [500, 8000];

/** A part of the application that is loaded when it is wanted; where it cannot be had it is asked for again until it can. */
export async function insist<X>(load: () => Promise<X>, say: () => void = () => notify(LATE)): Promise<X> {
	for (let wait = FIRST; ; wait = Math.min(2 * wait, LONGEST)) {
		try {
			return await load();
		} catch (error) {
			// A part that came and does not run is another matter.
			if (!(error instanceof TypeError) && !UNFETCHED.test(messageOf(error))) throw error;
			say();
			await new Promise((resolve) => setTimeout(resolve, wait));
		}
	}
}

/** How long nothing is loaded at first, ms, so that what is on the screen comes before. */
const REST = 3000;

/** Loads parts one after another while nothing else is to be done. */
export async function loadQuietly(
	parts: readonly (() => Promise<unknown>)[],
	signal: AbortSignal
): Promise<void> {
	await new Promise<void>((resolve) => {
		const timer = setTimeout(resolve, REST);
		// Whoever has left is not kept in memory by what still waits.
		signal.addEventListener('abort', () => {
			clearTimeout(timer);
			resolve();
		});
	});
	for (const part of parts) {
		if (signal.aborted) return;
		await new Promise<void>((resolve) => requestIdleCallback(() => resolve()));
		// Nobody waits for it.
		await insist(part, () => undefined);
	}
}
