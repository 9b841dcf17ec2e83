import type { VantageList, VantageRecord, VantageWish } from '../api.ts';
import type { Vantage } from '../core/vantage/index.ts';
import { api, Refused } from './api.ts';

/** The vantages of a site: every change is kept at once, and can be taken back. */
export class Vantages {
	readonly #site: number;
	readonly #kept: () => void;
	list = $state.raw<readonly VantageRecord[]>([]);
	/** Why the last change was not kept; null when it was. */
	trouble = $state<string | null>(null);
	/** What was there before the last change, and what that change was. */
	before = $state.raw<{ readonly list: readonly VantageRecord[]; readonly change: string } | null>(null);
	#version: string;
	#last: Promise<unknown> = Promise.resolve();

	constructor(site: number, { vantages, version }: VantageList, kept: () => void) {
		this.#site = site;
		this.list = vantages;
		this.#version = version;
		this.#kept = kept;
	}

	named(name: string | null): Vantage | undefined {
		return this.list.find(({ fields }) => fields.name === name)?.fields;
	}

	/**
	 * Keeps another list in place of the present one, made from it once what was changed before is kept; `change`
	 * says in a few words what is done. False where it was not kept.
	 */
	keep(make: (list: readonly VantageRecord[]) => readonly VantageWish[], change: string): Promise<boolean> {
		const turn = this.#last.then(() => this.#keepNow(make(this.list), change));
		this.#last = turn;
		return turn;
	}

	async #keepNow(list: readonly VantageWish[], change: string): Promise<boolean> {
		const before = this.list;
		try {
			this.take(await api.keepVantages(this.#site, this.#version, list));
			this.before = { list: before, change };
			this.trouble = null;
			this.#kept();
			return true;
		} catch (error) {
			this.trouble = error instanceof Error ? error.message : String(error);
			if (error instanceof Refused && error.status === 409) {
				const { vantages, vantagesVersion: version } = await api.site(this.#site);
				this.take({ vantages, version });
			}
			return false;
		}
	}

	async undo(): Promise<void> {
		const { before } = this;
		if (before && (await this.keep(() => before.list, 'undone'))) this.before = null;
	}

	take({ vantages, version }: VantageList): void {
		this.list = vantages;
		this.#version = version;
	}
}
