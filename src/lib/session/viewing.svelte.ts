import { store } from './store.ts';
import { NO_SWITCHES, type Switches, type Vantage } from '../core/vantage/index.ts';
import type { States } from './states.svelte.ts';
import type { Carriage } from './carriage.svelte.ts';

const KEY = 'vantaggio-lead';
const ALONE = 'vantaggio-alone';
const CUT = 'vantaggio-cut';

/** How the page is viewed: the lead's vantage, and switches for all frames. */
export class Viewing {
	readonly #carriage: Carriage;
	readonly #states: States;
	/** The lead's vantage; null for a plain window. */
	#lead = $state<string | null>(store.get(KEY));
	switches = $state.raw<Switches>(NO_SWITCHES);
	/** Whether pointer and keys go to the page. */
	use = $state(false);
	/** Whether the edges of all boxes are shown. */
	keylines = $state(false);
	/** Whether the lead fills the work area at full size, with nothing beside it. */
	alone = $state(store.get(ALONE) === 'yes');
	/** Whether a lead that is higher than its place is cut off; otherwise it is drawn whole, and smaller. */
	cut = $state(store.get(CUT) !== 'no');
	/** Whether the Collation takes the whole width, with a frame over each of its columns. */
	wide = $state(false);
	/**
	 * Whether a single frame beside the lead shows it one px narrower, or at a width between px, in place of the
	 * others.
	 */
	beside = $state<'narrower' | number | null>(null);
	/** Whether the panel below the sheet also takes up the sheet's height. */
	tall = $state(false);
	/** Whether the sheet is shown beside it. */
	drawer = $state(false);
	/** Whether frames show the page as last saved (or as a revision), or as before the last edit. */
	before = $state<'saved' | 'edit' | null>(null);
	/** The carriage's width before the zoom was switched, and where the zoom moved it. */
	#unzoomed = { from: 0, to: 0 };

	constructor(carriage: Carriage, states: States) {
		this.#carriage = carriage;
		this.#states = states;
	}

	/** Shows the lead alone, or not; remembered. */
	showAlone(on: boolean): void {
		this.alone = on;
		store.set(ALONE, on ? 'yes' : 'no');
	}

	/** Cuts off a lead that is higher than its place, or draws it whole; remembered. */
	showCut(on: boolean): void {
		this.cut = on;
		store.set(CUT, on ? 'yes' : 'no');
	}

	get lead(): string | null {
		return this.#lead;
	}

	/** Chooses the lead's vantage and moves the carriage to its width; null makes it a plain window, where it is. */
	choose(vantage: Vantage | null): void {
		this.#lead = vantage?.name ?? null;
		this.#carriage.forgetHeight();
		if (vantage) {
			store.set(KEY, vantage.name);
			this.#carriage.goTo(vantage.width / (this.switches.zoom ?? vantage.zoom));
		} else {
			store.remove(KEY);
		}
	}

	/** Sets a switch for all frames. Zoom moves the carriage: widths are those that the page sees. */
	switch(change: Partial<Switches>): void {
		const before = this.switches.zoom ?? 1;
		this.switches = { ...this.switches, ...change };
		const zoom = this.switches.zoom ?? 1;
		if (zoom === before) return;
		const moved = this.#carriage.width !== this.#unzoomed.to || before === 1;
		const from = moved ? this.#carriage.width * before : this.#unzoomed.from;
		this.#carriage.goTo(from / zoom);
		this.#unzoomed = { from, to: this.#carriage.width };
	}

	allOff(): void {
		this.#states.allOff();
		this.switch(NO_SWITCHES);
	}
}
