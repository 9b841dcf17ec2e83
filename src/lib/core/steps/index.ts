/**
 * Work that can be interrupted between its steps, each of which takes a few ms at most; the last step returns the
 * result.
 */
export type Steps<X> = Generator<undefined, X>;

/** Does all steps at once. */
export function atOnce<X>(steps: Steps<X>): X {
	for (;;) {
		const { done, value } = steps.next();
		if (done) return value;
	}
}
