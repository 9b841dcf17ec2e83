import { messageOf } from '../core/text/index.ts';
import { Refused } from './api.ts';

/** A list as the server has it, with what a change of it is based on. */
export interface Listed<Row> {
	readonly list: readonly Row[];
	readonly version: string;
}

/** How a list is kept and read anew. */
interface Ways<Row, Wish> {
	put(base: string, list: readonly Wish[]): Promise<Listed<Row>>;
	read(): Promise<Listed<Row>>;
	/** Other tabs are to be told. */
	kept(): void;
}

/** A list that is kept with a site: every change is kept at once, one after another, and can be taken back. */
export class KeptList<Row, Wish = Row> {
	readonly #ways: Ways<Row, Wish>;
	list = $state.raw<readonly Row[]>([]);
	/** Why the last change was not kept; null when it was. */
	trouble = $state<string | null>(null);
	/** What was there before the last change, and what that change was. */
	before = $state.raw<{ readonly list: readonly Row[]; readonly change: string } | null>(null);
	#version: string;
	#last: Promise<unknown> = Promise.resolve();

	constructor({ list, version }: Listed<Row>, ways: Ways<Row, Wish>) {
		this.list = list;
		this.#version = version;
		this.#ways = ways;
	}

	/**
	 * Keeps another list in place of the present one, made from it once what was changed before is kept; `change`
	 * says in a few words what is done. False where it was not kept.
	 */
	keep(make: (list: readonly Row[]) => readonly (Row | Wish)[], change: string): Promise<boolean> {
		const turn = this.#last.then(() => this.#keepNow(make(this.list) as readonly Wish[], change));
		this.#last = turn;
		return turn;
	}

	async #keepNow(list: readonly Wish[], change: string): Promise<boolean> {
		const before = this.list;
		try {
			this.take(await this.#ways.put(this.#version, list));
			this.before = { list: before, change };
			this.trouble = null;
			this.#ways.kept();
			return true;
		} catch (error) {
			this.trouble = messageOf(error);
			if (error instanceof Refused && error.status === 409) this.take(await this.#ways.read());
			return false;
		}
	}

	async undo(): Promise<void> {
		const { before } = this;
		if (before && (await this.keep(() => before.list, 'undone'))) this.before = null;
	}

	take({ list, version }: Listed<Row>): void {
		this.list = list;
		this.#version = version;
	}
}
