import { limitOf, type SupportTable } from '../core/support/index.ts';
import { api } from './api.ts';
import type { SupportAsked } from './reader.ts';

/** Since when engines have what, the same for every site; undefined until one asks. */
let brought: Promise<SupportTable> | undefined;

/** Since when engines have what, and the date that a site asks for. */
export class Support {
	#table: SupportTable | null = null;
	#limit: string | null = null;
	#asked = false;
	readonly #hearers = new Set<() => void>();

	/** Takes up what the site asks for; the table is brought when the first site asks. */
	take(target: Parameters<typeof limitOf>[0] | undefined): void {
		const limit = target ? limitOf(target, new Date()) : null;
		const changed = limit !== this.#limit;
		this.#limit = limit;
		if (changed) this.#report();
		if (!target || this.#asked) return;
		this.#asked = true;
		brought ??= api.support();
		void brought.then(
			(table) => {
				this.#table = table;
				this.#report();
			},
			() => {
				brought = undefined;
				this.#asked = false;
			}
		);
	}

	#report(): void {
		for (const hear of this.#hearers) hear();
	}

	/** Calls when there is something else to be said; gives what ends that. */
	listen(hear: () => void): () => void {
		this.#hearers.add(hear);
		return () => this.#hearers.delete(hear);
	}

	get asked(): SupportAsked {
		return { table: this.#table, limit: this.#limit };
	}
}
