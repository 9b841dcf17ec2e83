import type { HitCounts } from '../inquiry/hits.ts';
import { textWithErrands } from './errands.ts';
import type { PageState } from './page.svelte.ts';
import type { SiteState } from './site.svelte.ts';
import type { Stages } from './stages.svelte.ts';

/** What selectors match: on the page in the frames, and on each other page of the site. */
export interface Hits {
	readonly here: HitCounts;
	readonly elsewhere: ReadonlyMap<string, HitCounts>;
}

export async function reachOf(
	site: SiteState,
	page: PageState,
	stages: Stages | null,
	selectors: readonly string[]
): Promise<Hits> {
	if (!stages) return { here: [], elsewhere: new Map() };
	const others = [...site.texts.values()].filter(({ kind, path }) => kind === 'page' && path !== page.path);
	const texts = new Map(others.map(({ path, text }) => [path, textWithErrands(site, path, text)]));
	const [here, elsewhere] = await Promise.all([
		stages.hits('lead', selectors),
		stages.reach(texts, selectors)
	]);
	return { here, elsewhere };
}
