import { Proposal } from './proposal.svelte.ts';
import { proposeClosing } from './queries.ts';
import { Shifting } from './shifting.svelte.ts';
import type { SiteState } from './site.svelte.ts';

export { proposeClosing };

/** The edits of a site that are shown before they are made; of all of them one is tried at a time. */
export interface Edits {
	readonly shifting: Shifting;
	readonly proposal: Proposal;
}

export const editsOf = (site: SiteState): Edits => ({
	shifting: new Shifting(site),
	proposal: new Proposal(site)
});
