import { LRUCache } from 'lru-cache';
import type { IntervalSet } from '../core/interval/index.ts';
import type { WidthRange } from '../core/sweep/index.ts';
import type { Hold, Measurement } from '../core/wake/hold.ts';
import type { Changed } from '../core/wake/index.ts';
import { ask, sending } from '../http.ts';
import { changedFrom, measureHeld, type HeldPage } from '../inquiry/hold.ts';

/** At most so many measurements are cached. */
const MOST = 100;

/** Measures what is held, and what has changed; the server stores measurements by their SHA-256 (hex). */
export class Holds {
	readonly #address: string;
	readonly #known = new LRUCache<string, Promise<Measurement>>({ max: MOST });

	/** @param address of the site's measurements on the server */
	constructor(address: string) {
		this.#address = address;
	}

	/**
	 * Measures a page at some widths, and stores the result; returns its SHA-256.
	 *
	 * @throws {Error} where it could not be measured, or stored
	 */
	async measure(
		page: HeldPage,
		widths: IntervalSet,
		stretch: WidthRange,
		signal: AbortSignal
	): Promise<string> {
		const measurement = await measureHeld(page, widths, stretch, signal);
		const { hash } = await (await ask(this.#address, sending('POST', measurement))).json();
		this.#known.set(hash, Promise.resolve(measurement));
		return hash;
	}

	/**
	 * What has changed since a Hold was made.
	 *
	 * @throws {Error} where the page could not be measured, or its measurement could not be loaded
	 */
	async changed(page: HeldPage, hold: Hold, signal: AbortSignal): Promise<Changed[]> {
		return changedFrom(page, hold, await this.measurement(hold.measurement), signal);
	}

	/** @throws {Error} where it could not be loaded */
	measurement(hash: string): Promise<Measurement> {
		const known = this.#known.get(hash);
		if (known) return known;
		const measurement = ask(`${this.#address}/${hash}`).then(
			(response) => response.json() as Promise<Measurement>
		);
		this.#known.set(hash, measurement);
		// What could not be loaded is requested again.
		measurement.catch(() => this.#known.delete(hash));
		return measurement;
	}
}
