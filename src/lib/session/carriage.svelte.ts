import { store } from './store.ts';

/** The widths the Measure shows, CSS px. */
const RANGE: readonly [number, number] = [240, 2560];

const KEY = 'vantaggio-carriage';
const HEIGHT_KEY = 'vantaggio-carriage-height';

/** The heights that a window can be given, CSS px, and the one it has at first. */
export const HEIGHTS: readonly [number, number] = [100, 4000];
const HEIGHT = 800;

const between = ([least, most]: readonly [number, number], value: number): number =>
	Math.min(most, Math.max(least, value));

/** The size of the window that all screens look at, CSS px; whole px. */
export class Carriage {
	#width = $state(Number(store.get(KEY)) || 812);
	#height = $state(between(HEIGHTS, Number(store.get(HEIGHT_KEY)) || HEIGHT));
	/** The height that a vantage's window was given since it was chosen; null where it has its own. */
	#given = $state<number | null>(null);

	/** The height of the window: of a vantage that of its own (CSS px), unless it was given another. */
	heightOf(own: number | null): number {
		return own === null ? this.#height : (this.#given ?? own);
	}

	/** Gives the window another height: a plain one keeps it, a vantage has it until another is chosen. */
	setHeight(to: number, isPlain: boolean): void {
		if (!Number.isFinite(to)) return;
		const height = Math.round(between(HEIGHTS, to));
		if (!isPlain) this.#given = height;
		else store.set(HEIGHT_KEY, String((this.#height = height)));
	}

	/** A vantage has its own height again. */
	forgetHeight(): void {
		this.#given = null;
	}

	get width(): number {
		return this.#width;
	}

	/** Moves the carriage; a width beyond the Measure is brought to its end. */
	set width(to: number) {
		if (Number.isFinite(to)) this.#keep(between(RANGE, to));
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
