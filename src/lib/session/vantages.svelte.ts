import type { VantageList, VantageRecord, VantageRequest } from '../api.ts';
import type { Result } from '../core/text/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import { api } from './api.ts';
import { KeptList, type Listed } from './keptList.svelte.ts';

export const listedVantages = ({ vantages: list, version }: VantageList): Listed<VantageRecord> => ({
	list,
	version
});

/** The vantages of a site. */
export class Vantages extends KeptList<VantageRecord, VantageRequest> {
	constructor(site: number, vantages: VantageList, kept: () => void) {
		super(listedVantages(vantages), {
			put: async (base, list) => listedVantages(await api.keepVantages(site, base, list)),
			async read() {
				const { vantages, vantagesVersion: version } = await api.site(site);
				return { list: vantages, version };
			},
			kept
		});
	}

	named(name: string | null): Vantage | undefined {
		return this.list.find(({ fields }) => fields.name === name)?.fields;
	}

	/** Moves a vantage by so many places among those shown beside the lead. */
	move(name: string, by: number): Promise<Result> {
		return this.keep((list) => {
			const moved = list.find(({ fields }) => fields.name === name);
			const chorus = list.filter(({ chorus }) => chorus);
			const other = chorus[chorus.findIndex((one) => one === moved) + by];
			if (!moved || !other) return list;
			const rest = list.filter((one) => one !== moved);
			const to = rest.indexOf(other) + (by > 0 ? 1 : 0);
			return [...rest.slice(0, to), moved, ...rest.slice(to)];
		}, `${name} moved`);
	}
}
