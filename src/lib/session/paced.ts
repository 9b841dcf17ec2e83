import type { Steps } from '../core/steps/index.ts';

/** How long the thread is blocked at a time, ms. */
const PIECE = 12;

/** Does work in pieces, between which other work gets its turn. */
export async function paced<X>(steps: Steps<X>): Promise<X> {
	for (;;) {
		const until = performance.now() + PIECE;
		do {
			const { done, value } = steps.next();
			if (done) return value;
		} while (performance.now() < until);
		await new Promise((resolve) => setTimeout(resolve));
	}
}
