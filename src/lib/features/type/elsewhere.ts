import { reachOf } from '$lib/session/reach.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { SizesRequest } from './typeReading.svelte.ts';

/** The number of elements, and of pages, that rules match. */
export interface Elsewhere {
	readonly elements: number;
	readonly pages: number;
}

/** Counts what selectors match on the other pages of a site. */
export async function countElsewhere(
	site: SiteState,
	{ page, stages }: SizesRequest,
	selectors: readonly string[]
): Promise<Elsewhere> {
	const { elsewhere } = await reachOf(site, page, stages, selectors);
	const counts = [...elsewhere.values()].map((all) => all.reduce<number>((sum, one) => sum + (one ?? 0), 0));
	return {
		elements: counts.reduce((sum, one) => sum + one, 0),
		pages: counts.filter((one) => one > 0).length
	};
}
