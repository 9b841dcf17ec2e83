import { releaseProxy, wrap, type Remote } from 'comlink';
import { TextSender } from '../workers/texts.ts';
import { insist } from './insist.ts';

/** A worker at work, and the texts that it has been sent. */
interface Begun<X> {
	readonly remote: Remote<X>;
	readonly texts: TextSender;
	/** What refuses each question that has no answer yet. */
	readonly waiting: Set<(why: Error) => void>;
	readonly end: (why: Error) => void;
}

/** A worker that answers questions about texts: begun when it is first asked, and anew after it has failed. */
export class Thread<X> {
	readonly #make: () => Worker;
	#begun: Begun<X> | undefined;

	constructor(make: () => Worker) {
		this.#make = make;
	}

	/** Begins it, so that it is there when it is asked. */
	begin(): void {
		this.#begun ??= this.#start();
	}

	/**
	 * Asks it something; what is asked first is answered first. While its script cannot be loaded, it is asked again.
	 *
	 * @throws {Error} what the answer throws; why the worker failed, or was ended meanwhile
	 */
	ask<R>(of: (remote: Remote<X>, texts: TextSender) => Promise<R>): Promise<R> {
		return insist(() => this.#askOnce(of));
	}

	/** Ends it and what it was asked. */
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
				// What is not released keeps the worker, and what hears it, for good.
				begun.remote[releaseProxy]();
				worker.terminate();
				if (this.#begun === begun) this.#begun = undefined;
				for (const refuse of waiting) refuse(why);
			}
		};
		// What fails while it runs says why; a script that did not come says nothing.
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
