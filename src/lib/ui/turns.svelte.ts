/**
 * Counts up, from 0 at component initialisation, by one after each task of the browser, so that work done in turns
 * does not block the thread in one piece. Each given piece of work is done before its turn is counted, and may take
 * several tasks. To be called during component initialisation.
 */
export function turns(most: number, ...work: readonly (() => unknown)[]): { readonly done: number } {
	let done = $state(0);
	$effect(() => {
		if (done === most) return;
		let isGone = false;
		const timer = setTimeout(async () => {
			await work[done]?.();
			if (!isGone) done++;
		});
		return () => {
			isGone = true;
			clearTimeout(timer);
		};
	});
	return {
		get done() {
			return done;
		}
	};
}
