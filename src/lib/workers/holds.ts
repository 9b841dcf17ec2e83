import { LRUCache } from 'lru-cache';
import type { IntervalSet } from '../core/interval/index.ts';
import type { WidthRange } from '../core/sweep/index.ts';
import type { Hold, Measurement } from '../core/wake/hold.ts';
import type { Changed } from '../core/wake/index.ts';
import { ask, sending } from '../http.ts';
import { changedFrom, measureHeld, type HeldPage } from '../inquiry/hold.ts';

/** So many measurements are remembered. */
const MOST = 100;

/** Measures what is held, and what of it changed; measurements are kept by the server, by their SHA-256 (hex). */
export class Holds {
	readonly #address: string;
	readonly #known = new LRUCache<string, Promise<Measurement>>({ max: MOST });

	/** @param address of the site's measurements at the server */
	constructor(address: string) {
		this.#address = address;
	}

	/**
	 * Measures a page at some widths, and keeps that; gives its SHA-256.
	 *
	 * @throws {Error} where it could not be measured, or kept
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
	 * What of a hold is not as it was.
	 *
	 * @throws {Error} where the page could not be measured, or its measurement cannot be had
	 */
	async changed(page: HeldPage, hold: Hold, signal: AbortSignal): Promise<Changed[]> {
		return changedFrom(page, hold, await this.measurement(hold.measurement), signal);
	}

	/** @throws {Error} where it cannot be had */
	measurement(hash: string): Promise<Measurement> {
		const known = this.#known.get(hash);
		if (known) return known;
		const measurement = ask(`${this.#address}/${hash}`).then(
			(response) => response.json() as Promise<Measurement>
		);
		this.#known.set(hash, measurement);
		// What did not come is asked for again.
		measurement.catch(() => this.#known.delete(hash));
		return measurement;
	}
}
