import type { ElementPath } from '../core/html/index.ts';
import type { StagedChange, StagedState } from '../core/staged/index.ts';
import type { Pin } from '../stage/protocol.ts';

export type PinnedState = Pin['state'];
export const PINNED_STATES: readonly PinnedState[] = ['hover', 'focus', 'active'];

const same = (a: Pin, b: Pin): boolean =>
	a.state === b.state && a.frame === b.frame && a.path.join() === b.path.join();

/** States applied in frames: pins on elements, and staged states. */
export class States {
	/** Pins of the page that is shown; on another page they would be on other elements. */
	pins = $state.raw<readonly Pin[]>([]);
	/** Names of the staged states that are on. */
	staged = $state.raw<readonly string[]>([]);
	#page = '';

	/** Tells which page is shown. */
	showing(page: string): void {
		if (page !== this.#page && this.pins.length > 0) this.pins = [];
		this.#page = page;
	}

	has(path: ElementPath, state: PinnedState, frame: string | null): boolean {
		return this.pins.some((pin) => same(pin, { path, state, frame }));
	}

	/** Pins a state on an element, in one frame or (null) in all; or unpins it. */
	toggle(path: ElementPath, state: PinnedState, frame: string | null): void {
		const pin = { path, state, frame };
		const without = this.pins.filter((one) => !same(one, pin));
		this.pins = without.length < this.pins.length ? without : [...this.pins, pin];
	}

	/** Switches a staged state on or off. */
	stage(name: string, on: boolean): void {
		const without = this.staged.filter((one) => one !== name);
		this.staged = on ? [...without, name] : without;
	}

	/** The changes by active staged states, for a page, in the order of the list. */
	changes(list: readonly StagedState[], page: string): StagedChange[] {
		return list
			.filter(({ name, page: only }) => this.staged.includes(name) && (only === null || only === page))
			.flatMap(({ changes }) => changes);
	}

	allOff(): void {
		this.pins = [];
		this.staged = [];
	}
}
