/**
 * Yields what work reports, as it comes, until the work is done.
 *
 * @throws {Error} what the work throws, after everything reported has been yielded
 */
export async function* pushed<T>(work: (push: (one: T) => void) => Promise<unknown>): AsyncGenerator<T> {
	const ready: T[] = [];
	let wake: () => void = () => undefined;
	let ended: { readonly error?: unknown } | undefined;
	work((one) => {
		ready.push(one);
		wake();
	})
		.then(
			() => (ended = {}),
			(error: unknown) => (ended = { error })
		)
		.finally(() => wake());
	for (;;) {
		const [one] = ready;
		if (ready.length > 0) {
			ready.shift();
			yield one as T;
		} else if (!ended) await new Promise<void>((resolve) => (wake = resolve));
		else if ('error' in ended) throw ended.error;
		else return;
	}
}
