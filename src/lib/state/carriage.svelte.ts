/** The widths the Measure shows, CSS px. */
export const RANGE: readonly [number, number] = [240, 2560];

const KEY = 'vantaggio-carriage';

/** The width that all screens look at, CSS px; whole px within the Measure. */
class Carriage {
	#width = $state(Number(localStorage.getItem(KEY)) || 812);

	get width(): number {
		return this.#width;
	}

	/** Moves the carriage; a width beyond the Measure is brought to its end. */
	set width(to: number) {
		if (!Number.isFinite(to)) return;
		this.#width = Math.round(Math.min(RANGE[1], Math.max(RANGE[0], to)));
		localStorage.setItem(KEY, String(this.#width));
	}
}

export const carriage = new Carriage();
