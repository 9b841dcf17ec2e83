import { followPath, type ElementPath, type Page } from '../core/html/index.ts';

interface Kept {
	readonly page: string;
	paths: readonly ElementPath[];
}

/** So many selections are followed; older ones keep the paths in their addresses. */
const MOST = 300;

/** The selections of the browser's history, each kept at its elements while their page's HTML is edited. */
export class FollowedSelections {
	readonly #kept = new Map<number, Kept>();
	/** The browser's history also contains numbers of an earlier visit. */
	#next = Date.now();

	/** Records a selection on a page; returns its number. */
	keep(page: string, paths: readonly ElementPath[]): number {
		const number = this.#next++;
		this.#kept.set(number, { page, paths });
		const [oldest] = this.#kept.keys();
		if (this.#kept.size > MOST && oldest !== undefined) this.#kept.delete(oldest);
		return number;
	}

	/** Where a selection's elements are now; undefined for one on another page. */
	at(number: number | undefined, page: string): readonly ElementPath[] | undefined {
		const kept = number === undefined ? undefined : this.#kept.get(number);
		return kept?.page === page ? kept.paths : undefined;
	}

	/** Updates the selections of a page whose text has changed; elements that are gone are dropped. */
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
