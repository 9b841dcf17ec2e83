/**
 * Counts up, from 0 when a component is set up, by one after each task of the browser: parts that are shown one after the
 * other do not hold the thread in one piece. To be called while the component is set up.
 */
export function turns(most: number): { readonly done: number } {
	let done = $state(0);
	$effect(() => {
		if (done === most) return;
		const timer = setTimeout(() => done++);
		return () => clearTimeout(timer);
	});
	return {
		get done() {
			return done;
		}
	};
}
