/**
 * Counts up, from 0 when a component is set up, by one after each task of the browser: what is done in turn does not hold
 * the thread in one piece. Each piece of work that is given is done before its turn is counted. To be called while the
 * component is set up.
 */
export function turns(most: number, ...work: readonly (() => void)[]): { readonly done: number } {
	let done = $state(0);
	$effect(() => {
		if (done === most) return;
		const timer = setTimeout(() => {
			work[done]?.();
			done++;
		});
		return () => clearTimeout(timer);
	});
	return {
		get done() {
			return done;
		}
	};
}
