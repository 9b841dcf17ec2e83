import { store } from './store.ts';

/** The widths the Measure shows, CSS px. */
const RANGE: readonly [number, number] = [240, 2560];

const KEY = 'vantaggio-carriage';
const HEIGHT_KEY = 'vantaggio-carriage-height';

/** The range of heights of a window, CSS px, and its initial height. */
export const HEIGHTS: readonly [number, number] = [100, 4000];
const HEIGHT = 800;

const between = ([least, most]: readonly [number, number], value: number): number =>
	Math.min(most, Math.max(least, value));

/** The size of the window on all screens, CSS px; whole px. */
export class Carriage {
	#width = $state(Number(store.get(KEY)) || 812);
	#height = $state(between(HEIGHTS, Number(store.get(HEIGHT_KEY)) || HEIGHT));
	/** The height given to a vantage's window since it was chosen; null for its own. */
	#given = $state<number | null>(null);

	/** The height of the window: for a vantage its own (CSS px), unless it was given another. */
	heightOf(own: number | null): number {
		return own === null ? this.#height : (this.#given ?? own);
	}

	/** Sets the height of the window: a plain window keeps it, a vantage until another is chosen. */
	setHeight(to: number, isPlain: boolean): void {
		if (!Number.isFinite(to)) return;
		const height = Math.round(between(HEIGHTS, to));
		if (!isPlain) this.#given = height;
		else store.set(HEIGHT_KEY, String((this.#height = height)));
	}

	/** Restores a vantage's own height. */
	forgetHeight(): void {
		this.#given = null;
	}

	get width(): number {
		return this.#width;
	}

	/** Moves the carriage, at most to the ends of the Measure. */
	set width(to: number) {
		if (Number.isFinite(to)) this.#keep(between(RANGE, to));
	}

	/** What the Measure shows: its usual widths, extended to the width of a vantage while the carriage is there. */
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
