/**
 * Counts up, from 0 when a component is set up, by one after each task of the browser: what is done in turn does not hold
 * the thread in one piece. Each piece of work that is given is done before its turn is counted, and may take several tasks.
 * To be called while the component is set up.
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
