import type { Snippet } from 'svelte';
import type { FilePlace } from '$lib/core/text/index.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';
import { store } from '$lib/session/store.ts';
import type { Workbench } from '$lib/session/workbench.ts';
import type { MeasuredPlaces, Place, Stretches } from '$lib/ui/measure/places.ts';
import { Framing } from './framing.svelte.ts';
import { placeName } from './placeName.ts';

/** A screen's additions to the Measure. */
export interface OnMeasure extends Pick<MeasuredPlaces, 'onshift' | 'onjoin'> {
	/** Highlighted widths. */
	readonly stretches?: Stretches;
	/** Content below the bar. */
	readonly hung?: Snippet;
}

const IN_STEP = 'vantaggio-in-step';

/** What all screens with frames share: the frames, their stages, and the Measure. */
export class FramesView {
	readonly workbench: Workbench;
	readonly framing: Framing;
	/** The stages; null until they are open. */
	stages = $state.raw<Stages | null>(null);
	/** The present screen's additions to the Measure, with reactive properties. */
	onMeasure = $state.raw<OnMeasure>({});
	#inStep = $state(store.get(IN_STEP) !== 'no');

	readonly lead = $derived.by(() => this.framing.lead);
	readonly bands = $derived.by(() => this.workbench.page.bands(this.lead));
	readonly leadName = $derived.by(() => this.workbench.site.viewing.lead ?? 'Carriage');

	constructor(workbench: Workbench) {
		this.workbench = workbench;
		this.framing = new Framing(workbench.site);
	}

	/** Whether frames scroll in step; stored in the browser. */
	get inStep(): boolean {
		return this.#inStep;
	}

	set inStep(on: boolean) {
		this.#inStep = on;
		store.set(IN_STEP, on ? 'yes' : 'no');
	}

	/** Shows a place of the page's sources in its file, taking insertions by errands into account. */
	toPlace = ({ path, offset, ...how }: FilePlace): void => {
		const { page, show } = this.workbench;
		show({ path, offset: page.inFile(path, offset), ...how });
	};
	placeOf = (place: Place): string => placeName(this.workbench.page, place);
}
