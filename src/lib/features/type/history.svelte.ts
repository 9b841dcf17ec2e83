/** How many steps are kept. */
const MOST = 100;

/** The earlier values of something, and those that were undone. */
export class History<T> {
	#past = $state.raw<readonly T[]>([]);
	#future: T[] = [];

	get canUndo(): boolean {
		return this.#past.length > 0;
	}

	/** Records a value that is about to change. */
	remember(value: T): void {
		this.#past = [...this.#past.slice(1 - MOST), value];
		this.#future = [];
	}

	/** The value before the present one; undefined where there is none. */
	undo(now: T | null): T | undefined {
		const last = this.#past.at(-1);
		if (last === undefined) return undefined;
		if (now !== null) this.#future.push(now);
		this.#past = this.#past.slice(0, -1);
		return last;
	}

	/** The value undone last; undefined where there is none. */
	redo(now: T): T | undefined {
		const next = this.#future.pop();
		if (next !== undefined) this.#past = [...this.#past, now];
		return next;
	}

	clear(): void {
		this.#past = [];
		this.#future = [];
	}
}
