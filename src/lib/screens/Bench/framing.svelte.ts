import { heightsOf, PLAIN, seenVantage, unzoomed, type SeenVantage } from '$lib/core/vantage/index.ts';
import { carriage } from '$lib/state/carriage.svelte.ts';
import type { SiteState } from '$lib/state/site.svelte.ts';
import { viewing } from '$lib/state/viewing.svelte.ts';
import type { Placement, Viewport } from '$lib/stage/protocol.ts';
import { layFrames, leadHeight, type Laid, type Room, type Small } from './layout.ts';

/** A frame with what is seen in it. */
export interface SeenFrame extends Laid {
	readonly vantage: SeenVantage;
}

const viewportOf = (vantage: SeenVantage): Viewport => ({
	width: vantage.width,
	height: heightsOf(vantage).dynamic,
	density: vantage.density
});

/** What a stage is told of a frame: nothing that does not place it. */
export const placementOf = ({ frame, left, top, scale, viewport }: Laid): Placement => ({
	frame,
	left,
	top,
	scale,
	viewport
});

/** The frames of the Bench: which there are, as what vantages, and where they lie in their room. */
export class Framing {
	readonly #site: SiteState;
	room: Room = $state.raw({ width: 700, height: 500 });
	readonly #chorus: readonly SeenVantage[] = $derived.by(() =>
		this.#site.vantages.list
			.filter(({ chorus }) => chorus)
			.map(({ fields }) => seenVantage(fields, viewing.switches))
	);
	readonly #small: readonly Small[] = $derived.by(() =>
		this.#chorus.map((vantage) => ({ name: vantage.name, viewport: viewportOf(vantage) }))
	);
	readonly lead: SeenVantage = $derived.by(() => {
		const { switches } = viewing;
		const chosen = this.#site.vantages.named(viewing.lead);
		const zoom = switches.zoom ?? chosen?.zoom ?? 1;
		const height = chosen?.height ?? leadHeight(this.room, carriage.width * zoom, this.#small);
		const seen = seenVantage({ ...(chosen ?? PLAIN), zoom, height }, switches);
		return { ...seen, name: 'lead', width: carriage.width };
	});
	/** How much larger than a px of the screen a px of the lead may be drawn. */
	readonly #zoom = $derived.by(
		() => viewing.switches.zoom ?? this.#site.vantages.named(viewing.lead)?.zoom ?? 1
	);
	readonly frames: readonly SeenFrame[] = $derived.by(() => {
		const [lead, ...chorus] = layFrames(this.room, viewportOf(this.lead), this.#zoom, this.#small);
		return [
			...(lead ? [{ ...lead, vantage: this.lead }] : []),
			...chorus.map((laid, i) => ({ ...laid, vantage: this.#chorus[i] ?? this.lead }))
		];
	});

	constructor(site: SiteState) {
		this.#site = site;
	}
}

/** A vantage before switches, with zoom taken into its size: as the Measure marks it. */
export const marked = (site: SiteState): { name: string; width: number }[] =>
	site.vantages.list.map(({ fields }) => {
		const { name, width } = unzoomed(fields);
		return { name, width: Math.round(width) };
	});
