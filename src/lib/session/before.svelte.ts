import type { RevisionRecord } from '../api.ts';
import { api } from './api.ts';

/** What the pages of a site are compared with: the last saved state, or a revision. */
export class Before {
	/** The number of the revision; null for the last saved state. */
	revision = $state<number | null>(null);
	list = $state.raw<readonly RevisionRecord[]>([]);
	/** The texts of the revision, by path; null until they have loaded. */
	texts = $state.raw<ReadonlyMap<string, string> | null>(null);
	readonly #site: number;
	readonly #saved: (path: string) => string | undefined;

	/** `saved`: the text of a file as last saved. */
	constructor(site: number, saved: (path: string) => string | undefined) {
		this.#site = site;
		this.#saved = saved;
	}

	/** Loads the list of revisions, where there may be newer ones. */
	async look(): Promise<void> {
		this.list = await api.revisions(this.#site).catch(() => this.list);
	}

	async choose(revision: number | null): Promise<void> {
		this.revision = revision;
		this.texts = null;
		if (revision === null) return;
		const texts = await api.revision(this.#site, revision).catch(() => null);
		if (this.revision === revision) this.texts = texts && new Map(Object.entries(texts));
	}

	/** The former text of a file; as last saved until the revision's texts have loaded. */
	text(path: string): string | undefined {
		return this.texts?.get(path) ?? this.#saved(path);
	}

	get words(): string {
		return this.revision === null ? 'as last saved' : `as revision ${this.revision}`;
	}
}
