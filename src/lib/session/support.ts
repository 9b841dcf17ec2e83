import { limitOf, type SupportTable } from '../core/support/index.ts';
import { api } from './api.ts';
import type { SupportAsked } from './reader.ts';

/** The table of support, the same for every site; undefined until requested. */
let brought: Promise<SupportTable> | undefined;

/** Since when engines support features, and the date that a site asks for. */
export class Support {
	#table: SupportTable | null = null;
	#limit: string | null = null;
	#asked = false;
	readonly #hearers = new Set<() => void>();

	/** Applies the site's setting; the table is loaded when the first site asks. */
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

	/** Calls back when remarks may have changed; returns a function that ends that. */
	listen(hear: () => void): () => void {
		this.#hearers.add(hear);
		return () => this.#hearers.delete(hear);
	}

	get asked(): SupportAsked {
		return { table: this.#table, limit: this.#limit };
	}
}
