import { releaseProxy, wrap, type Remote } from 'comlink';
import { TextSender } from '../workers/texts.ts';
import { insist } from './insist.ts';

/** A running worker, and the texts that it has been sent. */
interface Begun<X> {
	readonly remote: Remote<X>;
	readonly texts: TextSender;
	/** Rejects the questions that have no answer yet. */
	readonly waiting: Set<(why: Error) => void>;
	readonly end: (why: Error) => void;
}

/** A worker that answers questions about texts: started with the first question, and again after it has failed. */
export class Thread<X> {
	readonly #make: () => Worker;
	#begun: Begun<X> | undefined;

	constructor(make: () => Worker) {
		this.#make = make;
	}

	/** Starts it, so that it is ready when needed. */
	begin(): void {
		this.#begun ??= this.#start();
	}

	/**
	 * Asks it something; questions are answered in order. While its script cannot be loaded, the question is repeated.
	 *
	 * @throws {Error} what the answer throws; why the worker failed, or was ended meanwhile
	 */
	ask<R>(of: (remote: Remote<X>, texts: TextSender) => Promise<R>): Promise<R> {
		return insist(() => this.#askOnce(of));
	}

	/** Ends it, and its open questions. */
	end(why = new Error('What was asked is not wanted any more.')): void {
		this.#begun?.end(why);
	}

	#askOnce<R>(of: (remote: Remote<X>, texts: TextSender) => Promise<R>): Promise<R> {
		const { remote, texts, waiting } = (this.#begun ??= this.#start());
		return new Promise<R>((resolve, reject) => {
			waiting.add(reject);
			of(remote, texts)
				.then(resolve, reject)
				.finally(() => waiting.delete(reject));
		});
	}

	#start(): Begun<X> {
		const worker = this.#make();
		const waiting = new Set<(why: Error) => void>();
		const begun: Begun<X> = {
			remote: wrap<X>(worker),
			texts: new TextSender(),
			waiting,
			end: (why) => {
				// Without a release, the worker and its listener would stay in memory.
				begun.remote[releaseProxy]();
				worker.terminate();
				if (this.#begun === begun) this.#begun = undefined;
				for (const refuse of waiting) refuse(why);
			}
		};
		// A worker that fails while running says why; a script that was not loaded does not.
		worker.addEventListener('error', ({ message }: Partial<ErrorEvent>) =>
			begun.end(
				message === undefined
					? new TypeError('The script of a worker cannot be loaded.')
					: new Error(message || 'A part of the application could not be loaded.')
			)
		);
		return begun;
	}
}
