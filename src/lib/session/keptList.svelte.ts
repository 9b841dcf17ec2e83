import { DONE, messageOf, refuse, type Result } from '../core/text/index.ts';
import { Refused } from '../http.ts';

/** A list as the server has it, with what a change of it is based on. */
export interface Listed<Row> {
	readonly list: readonly Row[];
	readonly version: string;
}

/** How a list is kept and read anew. */
interface Ways<Row, Sent> {
	put(base: string, list: readonly Sent[]): Promise<Listed<Row>>;
	read(): Promise<Listed<Row>>;
	/** Other tabs are to be told. */
	kept(): void;
}

/** A change of a list, and what it is called in a few words. */
interface Change<Row, Sent> {
	readonly make: (list: readonly Row[]) => readonly (Row | Sent)[];
	readonly name: string;
}

/** A list that is kept with a site: every change is kept at once, one after another, and can be taken back. */
export class KeptList<Row, Sent = Row> {
	readonly #ways: Ways<Row, Sent>;
	list = $state.raw<readonly Row[]>([]);
	/** Why the last change was not kept; null when it was. */
	trouble = $state<string | null>(null);
	/** What was there before the last change, and what that change was. */
	before = $state.raw<{ readonly list: readonly Row[]; readonly change: string } | null>(null);
	#version: string;
	#failed: Change<Row, Sent> | null = null;
	#last: Promise<unknown> = Promise.resolve();
	/** Rises whenever the list becomes another one, or is about to. */
	#age = 0;

	constructor({ list, version }: Listed<Row>, ways: Ways<Row, Sent>) {
		this.list = list;
		this.#version = version;
		this.#ways = ways;
	}

	/**
	 * Keeps another list in place of the present one, made from it once what was changed before is kept; `name` says in
	 * a few words what is done. Where that is refused, `trouble` says why too, until something is kept.
	 */
	keep(make: Change<Row, Sent>['make'], name: string): Promise<Result> {
		const turn = this.#last.then(() => this.#keepNow({ make, name }));
		this.#last = turn;
		return turn;
	}

	/** Tries once more what was not kept. */
	keepAgain(): Promise<Result> {
		const failed = this.#failed;
		return failed ? this.keep(failed.make, failed.name) : Promise.resolve(refuse('Everything is kept.'));
	}

	async #keepNow(change: Change<Row, Sent>): Promise<Result> {
		const before = this.list;
		this.#age++;
		try {
			this.#take(await this.#ways.put(this.#version, change.make(before) as readonly Sent[]));
			this.before = { list: before, change: change.name };
			this.trouble = null;
			this.#failed = null;
			this.#ways.kept();
			return DONE;
		} catch (error) {
			const sentence = messageOf(error);
			this.trouble = sentence;
			this.#failed = change;
			if (error instanceof Refused && error.status === 409) await this.#readAnew();
			return refuse(sentence);
		}
	}

	/** Without an answer the list stays what it was: the next change is refused, and asks anew. */
	async #readAnew(): Promise<void> {
		const listed = await this.#ways.read().catch(() => null);
		if (listed) this.#take(listed);
	}

	async undo(): Promise<void> {
		const { before } = this;
		if (before && (await this.keep(() => before.list, 'undone')).ok) this.before = null;
	}

	/**
	 * Call this before asking the server for the list. The function it returns takes the answer in, unless meanwhile the
	 * list was changed here or a later answer was used.
	 */
	asked(): (listed: Listed<Row>) => void {
		const age = this.#age;
		return (listed) => {
			if (age === this.#age) this.#take(listed);
		};
	}

	#take({ list, version }: Listed<Row>): void {
		this.#age++;
		this.list = list;
		this.#version = version;
	}
}
