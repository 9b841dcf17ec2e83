import { insist } from '$lib/session/insist.ts';
import type * as editing from '$lib/features/arrange/edits.svelte.ts';
import type { Edits } from '$lib/features/arrange/edits.svelte.ts';
import type { Table } from '$lib/features/collation/hand.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { Bands } from '$lib/core/media/index.ts';
import type { Shift } from '$lib/ui/measure/places.ts';

/** What values and larger edits of a site are written with; each comes when it is first asked for. */
export class Writing {
	readonly #site: SiteState;
	/** Null until it is asked for. */
	table = $state.raw<Table | null>(null);
	/** What edits with a card of their own are made with. */
	edits = $state.raw<Edits | null>(null);
	#coming: Promise<typeof editing> | undefined;

	constructor(site: SiteState) {
		this.#site = site;
	}

	/** Brings what values are written with. */
	async bringTable(): Promise<Table> {
		if (this.table) return this.table;
		const [seen, held] = await Promise.all([
			insist(() => import('$lib/features/collation/collating.svelte.ts')),
			insist(() => import('$lib/features/collation/hand.svelte.ts'))
		]);
		const collating = new seen.Collating(this.#site.carriage);
		return (this.table ??= { collating, hand: new held.Hand(this.#site, collating) });
	}

	/** Brings what larger edits are made with. */
	async bringEdits(): Promise<Edits> {
		const module = await (this.#coming ??= insist(() => import('$lib/features/arrange/edits.svelte.ts')));
		return (this.edits ??= new module.Edits(this.#site));
	}

	/** Lets go of everything that is tried, so that something else can be. */
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

	/** What an edit is proposed with once what was tried before is let go. */
	async anew(): Promise<Edits> {
		await this.propose(() => undefined);
		return this.bringEdits();
	}

	/** What the Measure does with thresholds. */
	shift = (bands: () => Bands): Shift => ({
		begin: (threshold) => void this.propose(({ shifting }) => shifting.begin(threshold, bands().thresholds)),
		put: (px) => void this.bringEdits().then(({ shifting }) => shifting.put(px)),
		gather: (froms, to) => void this.propose((edits) => edits.gather(froms, to)),
		name: (at, name) => void this.propose((edits) => edits.name(at, name))
	});
}
