import type { VantageList, VantageRecord, VantageWish } from '../api.ts';
import { nameTwice, type Vantage } from '../core/vantage/index.ts';
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

	constructor(site: number, { vantages, version }: VantageList, kept: () => void) {
		this.#site = site;
		this.list = vantages;
		this.#version = version;
		this.#kept = kept;
	}

	named(name: string | null): Vantage | undefined {
		return this.list.find(({ fields }) => fields.name === name)?.fields;
	}

	/** A name that no vantage has: the wished one, with a number where it is taken. */
	freeName(wished: string): string {
		const names = this.list.map(({ fields }) => fields.name);
		for (let i = 2; ; i++) {
			const name = i === 2 ? wished : `${wished} ${i - 1}`;
			if (nameTwice([...names, name]) === undefined) return name;
		}
	}

	/** Keeps a list in place of the present one; `change` says in a few words what is done. */
	async keep(list: readonly VantageWish[], change: string): Promise<boolean> {
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
		if (before && (await this.keep(before.list, 'undone'))) this.before = null;
	}

	take({ vantages, version }: VantageList): void {
		this.list = vantages;
		this.#version = version;
	}
}
