/** Work that can be left off between its steps, each of some ms at most; its last step returns what came of it. */
export type Steps<X> = Generator<undefined, X>;

/** Does all steps at once. */
export function atOnce<X>(steps: Steps<X>): X {
	for (;;) {
		const { done, value } = steps.next();
		if (done) return value;
	}
}
