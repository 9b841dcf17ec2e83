import { followPath, type ElementPath, type Page } from '../core/html/index.ts';

interface Kept {
	readonly page: string;
	paths: readonly ElementPath[];
}

/** Selections that are followed; older ones stay as their address has them. */
const MOST = 300;

/** The selections of the browser's history, each kept at its elements while their page's HTML is written. */
export class FollowedSelections {
	readonly #kept = new Map<number, Kept>();
	/** Numbers of an earlier visit are in the browser's history too. */
	#next = Date.now();

	/** Remembers a selection on a page; gives its number. */
	keep(page: string, paths: readonly ElementPath[]): number {
		const number = this.#next++;
		this.#kept.set(number, { page, paths });
		const [oldest] = this.#kept.keys();
		if (this.#kept.size > MOST && oldest !== undefined) this.#kept.delete(oldest);
		return number;
	}

	/** Where a selection's elements are now; undefined for one that is not of this page. */
	at(number: number | undefined, page: string): readonly ElementPath[] | undefined {
		const kept = number === undefined ? undefined : this.#kept.get(number);
		return kept?.page === page ? kept.paths : undefined;
	}

	/** A page's text has changed: what is not there any more is left out. */
	follow(page: string, before: Page, after: Page): void {
		for (const kept of this.#kept.values()) {
			if (kept.page !== page) continue;
			kept.paths = kept.paths.flatMap((path) => {
				const to = followPath(before, after, path);
				return to ? [to] : [];
			});
		}
	}
}
