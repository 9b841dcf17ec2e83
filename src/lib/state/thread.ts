import { wrap, type Remote } from 'comlink';
import { TextSender } from '../workers/texts.ts';

/** A worker at work, and the texts that it has been sent. */
interface Begun<X> {
	readonly worker: Worker;
	readonly does: Remote<X>;
	readonly texts: TextSender;
	/** Never fulfilled; rejected where the worker fails or is ended. */
	readonly ended: Promise<never>;
	readonly end: (why: Error) => void;
}

/** A worker that answers questions about texts: begun when it is first asked, and anew after it has failed. */
export class Thread<X> {
	readonly #make: () => Worker;
	#begun: Begun<X> | undefined;

	constructor(make: () => Worker) {
		this.#make = make;
	}

	/**
	 * Asks it something; what is asked first is answered first.
	 *
	 * @throws {Error} what the answer throws; why the worker could not be begun, or was ended meanwhile
	 */
	ask<R>(of: (does: Remote<X>, texts: TextSender) => Promise<R>): Promise<R> {
		const { does, texts, ended } = (this.#begun ??= this.#begin());
		return Promise.race([of(does, texts), ended]);
	}

	/** Ends it and what it was asked. */
	end(why = new Error('What was asked is not wanted any more.')): void {
		this.#begun?.end(why);
	}

	#begin(): Begun<X> {
		const worker = this.#make();
		let reject: (why: Error) => void = () => undefined;
		const ended = new Promise<never>((_, no) => (reject = no));
		// Nobody may be waiting.
		ended.catch(() => undefined);
		const end = (why: Error): void => {
			worker.terminate();
			if (this.#begun?.worker === worker) this.#begun = undefined;
			reject(why);
		};
		worker.addEventListener('error', ({ message }) =>
			end(new Error(message || 'A part of the application could not be loaded.'))
		);
		return { worker, does: wrap<X>(worker), texts: new TextSender(), ended, end };
	}
}
