import { DONE, messageOf, refuse, type Result } from '../core/text/index.ts';
import { Refused } from '../http.ts';

/** A list as on the server, with what a change of it is based on. */
export interface Listed<Row> {
	readonly list: readonly Row[];
	readonly version: string;
}

/** How a list is stored and read again. */
interface Ways<Row, Sent> {
	put(base: string, list: readonly Sent[]): Promise<Listed<Row>>;
	read(): Promise<Listed<Row>>;
	/** Called when other tabs are to be told. */
	kept(): void;
}

/** A change of a list, and its name in a few words. */
interface Change<Row, Sent> {
	readonly make: (list: readonly Row[]) => readonly (Row | Sent)[];
	readonly name: string;
	/** Called once it is stored. */
	readonly stored?: (() => void) | undefined;
}

/** A list stored with a site: every change is sent at once, one after another, and can be undone. */
export class KeptList<Row, Sent = Row> {
	readonly #ways: Ways<Row, Sent>;
	list = $state.raw<readonly Row[]>([]);
	/** Why the last change was not stored; null when it was. */
	trouble = $state<string | null>(null);
	/** The list before the last change, and the change itself. */
	before = $state.raw<{ readonly list: readonly Row[]; readonly change: string } | null>(null);
	#version: string;
	#failed: Change<Row, Sent> | null = null;
	/** Changes that are not yet stored, the oldest first. */
	#coming = $state.raw<readonly Change<Row, Sent>[]>([]);
	#last: Promise<unknown> = Promise.resolve();
	/** Increases whenever the list becomes, or is about to become, another one. */
	#age = 0;

	constructor({ list, version }: Listed<Row>, ways: Ways<Row, Sent>) {
		this.list = list;
		this.#version = version;
		this.#ways = ways;
	}

	/**
	 * Replaces the list by another one, made from it once earlier changes are stored; `name` says in a few words what
	 * is done. Where that is refused, `trouble` says why, until something is stored. `stored` is called then, too,
	 * where that takes another attempt.
	 */
	keep(make: Change<Row, Sent>['make'], name: string, stored?: () => void): Promise<Result> {
		const change = { make, name, stored };
		this.#coming = [...this.#coming, change];
		const turn = this.#last.then(() => this.#keepNow(change));
		this.#last = turn;
		return turn;
	}

	/** The list as it will be once all changes so far are stored. */
	get coming(): readonly (Row | Sent)[] {
		return this.#coming.reduce<readonly (Row | Sent)[]>(
			(list, { make }) => make(list as readonly Row[]),
			this.list
		);
	}

	/** Tries again to store what was not stored. */
	keepAgain(): Promise<Result> {
		const failed = this.#failed;
		return failed
			? this.keep(failed.make, failed.name, failed.stored)
			: Promise.resolve(refuse('Everything is kept.'));
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
			change.stored?.();
			return DONE;
		} catch (error) {
			const sentence = messageOf(error);
			this.trouble = sentence;
			this.#failed = change;
			if (error instanceof Refused && error.status === 409) await this.#readAnew();
			return refuse(sentence);
		} finally {
			this.#coming = this.#coming.filter((one) => one !== change);
		}
	}

	/** Without an answer the list stays as it was: the next change is refused, and asks again. */
	async #readAnew(): Promise<void> {
		const listed = await this.#ways.read().catch(() => null);
		if (listed) this.#take(listed);
	}

	async undo(): Promise<void> {
		const { before } = this;
		if (before && (await this.keep(() => before.list, 'undone')).ok) this.before = null;
	}

	/**
	 * Call this before requesting the list from the server, and pass the answer to the function it returns. The answer is
	 * ignored if the list was changed here in the meantime, or a later answer was used.
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
