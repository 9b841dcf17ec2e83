import { applyChanges, changeBetween, type Change } from '../core/text/index.ts';

/** Texts by path. */
export type Texts = ReadonlyMap<string, string>;

/** A text that the other side does not have yet, as a change of one that it has. */
interface NewText {
	readonly id: number;
	/** The text that it is based on; null for none. */
	readonly from: number | null;
	readonly change: Change;
}

/** Texts as sent to a worker: by number, and as changes of texts it already has. */
export interface SentTexts {
	readonly ids: readonly (readonly [path: string, id: number])[];
	readonly made: readonly NewText[];
	/** Texts that will not be referred to again. */
	readonly gone: readonly number[];
}

/** How many texts are kept besides those being sent. */
const MOST = 64;

/** Sends texts to a worker: each text once, and as a change of the text that its path had before, if any. */
export class TextSender {
	readonly #ids = new Map<string, number>();
	/** The latest text of each path. */
	readonly #last = new Map<string, string>();
	#next = 1;

	/** Prepares texts for sending; the worker must take all of them, in this order. */
	send<const T extends readonly Texts[]>(...all: T): { [K in keyof T]: SentTexts } {
		const sent = all.map((texts) => this.#sendOne(texts));
		const gone = this.#forget(all.reduce((sum, { size }) => sum + size, 0));
		return sent.map((one, i) => (i === sent.length - 1 ? { ...one, gone } : one)) as {
			[K in keyof T]: SentTexts;
		};
	}

	#sendOne(texts: Texts): SentTexts {
		const made: NewText[] = [];
		const ids = [...texts].map(([path, text]): [string, number] => {
			let id = this.#ids.get(text);
			if (id === undefined) {
				id = this.#next++;
				const before = this.#last.get(path);
				const from = before === undefined ? undefined : this.#ids.get(before);
				const change = changeBetween(from === undefined ? '' : (before ?? ''), text);
				made.push({ id, from: from ?? null, change });
			}
			// The most recently used is dropped last.
			this.#ids.delete(text);
			this.#ids.set(text, id);
			this.#last.set(path, text);
			return [path, id];
		});
		return { ids, made, gone: [] };
	}

	/** Drops the least recently used texts, so that no more than `besides` and `MOST` remain. */
	#forget(besides: number): number[] {
		const gone: number[] = [];
		for (const [text, id] of this.#ids) {
			if (this.#ids.size <= besides + MOST) break;
			this.#ids.delete(text);
			gone.push(id);
		}
		return gone;
	}
}

/** Keeps sent texts, in the worker. */
export class TextKeeper {
	readonly #texts = new Map<number, string>();

	/** How many texts it has. */
	get size(): number {
		return this.#texts.size;
	}

	/** @throws {Error} for a text that was never sent, or was dropped */
	take({ ids, made, gone }: SentTexts): Texts {
		for (const { id, from, change } of made)
			this.#texts.set(id, applyChanges(from === null ? '' : this.#text(from), [change]));
		const texts = new Map(ids.map(([path, id]) => [path, this.#text(id)]));
		for (const id of gone) this.#texts.delete(id);
		return texts;
	}

	#text(id: number): string {
		const text = this.#texts.get(id);
		if (text === undefined) throw new Error(`The text ${id} was not sent.`);
		return text;
	}
}
