import { forEachKept, KEPT_KINDS, type KeptFields, type KeptKind, type SiteRecord } from '../api.ts';
import { api } from './api.ts';
import { KeptList } from './keptList.svelte.ts';
import { listedVantages, type Vantages } from './vantages.svelte.ts';

/** Lists of small things that are stored with a site. */
export type KeptLists = { readonly [K in KeptKind]: KeptList<KeptFields[K]> };

/** The lists of a site; `announce` tells other tabs that one was stored. */
export function keptLists(record: SiteRecord, announce: () => void): KeptLists {
	const list = <K extends KeptKind>(kind: K): KeptList<KeptFields[K]> =>
		new KeptList<KeptFields[K]>(record.kept[kind], {
			put: (base, requested) => api.keepList(record.id, kind, base, requested),
			read: async () => (await api.site(record.id)).kept[kind],
			kept: announce
		});
	return forEachKept<KeptLists>((kind) => list(kind) as KeptLists[KeptKind]);
}

/** Call this before requesting a record, and pass the answer to the function it returns, which updates the lists. */
export function askedLists(kept: KeptLists, vantages: Vantages): (record: SiteRecord) => void {
	const takeVantages = vantages.asked();
	const asked = <K extends KeptKind>(kind: K): ((record: SiteRecord) => void) => {
		const take = kept[kind].asked();
		return (record) => take(record.kept[kind]);
	};
	const lists = KEPT_KINDS.map(asked);
	return (record) => {
		takeVantages(listedVantages({ vantages: record.vantages, version: record.vantagesVersion }));
		for (const take of lists) take(record);
	};
}
