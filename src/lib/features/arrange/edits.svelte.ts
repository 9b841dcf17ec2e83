import type { Interval, Rational } from '$lib/core/interval/index.ts';
import { Proposal } from '$lib/session/proposal.svelte.ts';
import { closing, gathering, naming } from '$lib/writing/queries.ts';
import { Shifting } from './shifting.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { move, reselect } from '$lib/writing/arrange.ts';
import type { Chosen } from '$lib/writing/within.ts';
import { unwrap, wrap } from '$lib/writing/wrap.ts';

/** The edits of a site that are shown before they are made; only one of them is tried at a time. */
export class Edits {
	readonly shifting: Shifting;
	readonly proposal: Proposal;
	/** What in the sheet is to be arranged; null for nothing. */
	arranged = $state.raw<Chosen | null>(null);

	readonly #site: SiteState;

	constructor(site: SiteState) {
		this.#site = site;
		this.shifting = new Shifting(site);
		this.proposal = new Proposal(site);
	}

	/** Proposes to wrap the rules of a selection in a condition. */
	wrap = (chosen: Chosen, interval: Interval, join: boolean): void =>
		this.proposal.propose((desk) => wrap(desk, chosen, interval, join));
	/** Proposes to replace a selector by another. */
	reselect = (chosen: Chosen, selector: string, note: string): void =>
		this.proposal.propose((desk) => reselect(desk, chosen, selector, note));
	/** Proposes to move the rule of a selection so many places down (up: under 0); it can then be moved further. */
	move = (chosen: Chosen, by: number): void => {
		this.proposal.propose((desk) => move(desk, chosen, by));
		if (!this.proposal.refusal) this.proposal.further = (more) => this.move(chosen, by + more);
	};
	/** Proposes to remove the condition around a place. */
	unwrap = (chosen: Chosen): void => this.proposal.propose((desk) => unwrap(desk, chosen));
	/** Proposes to close a gap between two halves, or their overlap. */
	close = (from: Rational, to: Rational): void =>
		this.proposal.propose((desk) => closing(desk, this.#site.texts, this.shifting.sources, from, to));
	/** Proposes to merge breakpoints at one width. */
	gather = (froms: readonly Rational[], to: Rational): void =>
		this.proposal.propose((desk) => gathering(desk, this.#site.texts, this.shifting.sources, froms, to));
	/** Proposes a name for a breakpoint. */
	name = (at: Rational, name: string): void =>
		this.proposal.propose((desk) => naming(desk, this.#site.texts, this.shifting.sources, at, name));

	/** Discards all of them. */
	drop(): void {
		this.shifting.drop();
		this.proposal.drop();
		this.arranged = null;
	}
}
