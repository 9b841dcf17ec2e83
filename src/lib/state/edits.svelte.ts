import { Proposal } from './proposal.svelte.ts';
import { proposeClosing } from './queries.ts';
import { Shifting } from './shifting.svelte.ts';
import type { SiteState } from './site.svelte.ts';
import type { Chosen } from './arrange.ts';

export { proposeClosing };

/** The edits of a site that are shown before they are made; of all of them one is tried at a time. */
export class Edits {
	readonly shifting: Shifting;
	readonly proposal: Proposal;
	/** What of the sheet is to be arranged; null while nothing is. */
	arranged = $state.raw<Chosen | null>(null);

	constructor(site: SiteState) {
		this.shifting = new Shifting(site);
		this.proposal = new Proposal(site);
	}

	/** Lets all of them go. */
	drop(): void {
		this.shifting.drop();
		this.proposal.drop();
		this.arranged = null;
	}
}
