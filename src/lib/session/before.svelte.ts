import type { RevisionRecord } from '../api.ts';
import { api } from './api.ts';
import type { SiteState } from './site.svelte.ts';

/** What the page is held against: as last saved, or as a revision. */
class Before {
	/** The number of the revision; null for the last saved. */
	revision = $state<number | null>(null);
	list = $state.raw<readonly RevisionRecord[]>([]);
	/** The texts of the revision, by path; null where they have not come. */
	texts = $state.raw<ReadonlyMap<string, string> | null>(null);
	#site = 0;

	/** Brings the list of revisions of a site, where there may be newer ones. */
	async look(site: SiteState): Promise<void> {
		if (site.id !== this.#site) await this.choose(site, null);
		this.#site = site.id;
		this.list = await api.revisions(site.id).catch(() => this.list);
	}

	async choose(site: SiteState, revision: number | null): Promise<void> {
		this.revision = revision;
		this.texts = null;
		if (revision === null) return;
		const texts = await api.revision(site.id, revision).catch(() => null);
		if (this.revision === revision) this.texts = texts && new Map(Object.entries(texts));
	}

	/** A file's text as it was; as last saved until the texts of the revision have come. */
	text(site: SiteState, path: string): string | undefined {
		return this.texts?.get(path) ?? site.texts.get(path)?.saved;
	}

	get words(): string {
		return this.revision === null ? 'as last saved' : `as revision ${this.revision}`;
	}
}

export const before = new Before();
