import { insist } from '$lib/session/insist.ts';
import type * as editing from '$lib/features/arrange/edits.svelte.ts';
import type { Edits } from '$lib/features/arrange/edits.svelte.ts';
import type { Table } from '$lib/features/collation/hand.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { Bands } from '$lib/core/media/index.ts';
import type { Shift } from '$lib/ui/measure/places.ts';

/** Tools for writing values and larger edits of a site; each is loaded on demand. */
export class Writing {
	readonly #site: SiteState;
	/** Null until requested. */
	table = $state.raw<Table | null>(null);
	/** Makes edits that have a card of their own. */
	edits = $state.raw<Edits | null>(null);
	#coming: Promise<typeof editing> | undefined;

	constructor(site: SiteState) {
		this.#site = site;
	}

	/** Loads the tool for values. */
	async bringTable(): Promise<Table> {
		if (this.table) return this.table;
		const [seen, held] = await Promise.all([
			insist(() => import('$lib/features/collation/collating.svelte.ts')),
			insist(() => import('$lib/features/collation/hand.svelte.ts'))
		]);
		const collating = new seen.Collating(this.#site.carriage);
		return (this.table ??= { collating, hand: new held.Hand(this.#site, collating) });
	}

	/** Loads the tool for larger edits. */
	async bringEdits(): Promise<Edits> {
		const module = await (this.#coming ??= insist(() => import('$lib/features/arrange/edits.svelte.ts')));
		return (this.edits ??= new module.Edits(this.#site));
	}

	/** Discards everything being tried, so that something else can be. */
	letGo(): void {
		this.table?.hand.drop();
		this.edits?.drop();
	}

	/** Proposes an edit, in place of what was tried before. */
	async propose(make: (edits: Edits) => void): Promise<void> {
		const edits = await this.bringEdits();
		this.letGo();
		make(edits);
	}

	/** The tool for proposals, after what was tried before has been discarded. */
	async anew(): Promise<Edits> {
		await this.propose(() => undefined);
		return this.bringEdits();
	}

	/** Actions of the Measure on thresholds. */
	shift = (bands: () => Bands): Shift => ({
		begin: (threshold) => void this.propose(({ shifting }) => shifting.begin(threshold, bands().thresholds)),
		put: (px) => void this.bringEdits().then(({ shifting }) => shifting.put(px)),
		gather: (froms, to) => void this.propose((edits) => edits.gather(froms, to)),
		name: (at, name) => void this.propose((edits) => edits.name(at, name))
	});
}
