import { store } from './store.ts';
/** The widths the Measure shows, CSS px. */
const RANGE: readonly [number, number] = [240, 2560];

const KEY = 'vantaggio-carriage';

/** The width that all screens look at, CSS px; whole px. */
export class Carriage {
	#width = $state(Number(store.get(KEY)) || 812);

	get width(): number {
		return this.#width;
	}

	/** Moves the carriage; a width beyond the Measure is brought to its end. */
	set width(to: number) {
		if (Number.isFinite(to)) this.#keep(Math.min(RANGE[1], Math.max(RANGE[0], to)));
	}

	/** What the Measure shows: a vantage's width beyond its usual ends is on it too while the carriage is there. */
	get range(): readonly [number, number] {
		return [Math.min(RANGE[0], this.#width), Math.max(RANGE[1], this.#width)];
	}

	/** Moves the carriage to the width of a vantage, wherever that is. */
	goTo(width: number): void {
		this.#keep(Math.max(1, width));
	}

	#keep(width: number): void {
		this.#width = Math.round(width);
		store.set(KEY, String(this.#width));
	}
}
