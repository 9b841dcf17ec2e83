import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Tasks } from './tasks.ts';

/** The limits of a task. */
export interface Bounds {
	readonly megabytes: number;
	readonly seconds: number;
}

/** A task exceeded its time or memory limit. */
export class OutOfBounds extends Error {}

const FILE = (): string => join(process.env.VANTAGGIO_HOME ?? process.cwd(), 'build', 'worker.js');

type Reply = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly error: string };

/**
 * A thread for tasks, one after another, started on demand. A task that exceeds its limits ends with the thread; the
 * next starts another.
 */
export function hand({ megabytes, seconds }: Bounds) {
	let worker: Worker | undefined;
	let last: Promise<unknown> = Promise.resolve();

	function begin(): Worker {
		const begun = new Worker(FILE(), { resourceLimits: { maxOldGenerationSizeMb: megabytes } });
		// It does not keep the server running.
		begun.unref();
		begun.on('exit', () => {
			if (worker === begun) worker = undefined;
		});
		return begun;
	}

	function perform(task: keyof Tasks, input: unknown): Promise<unknown> {
		const at = (worker ??= begin());
		return new Promise((resolve, reject) => {
			const settle = (perform: () => void): void => {
				clearTimeout(timer);
				at.removeAllListeners('message');
				at.removeAllListeners('error');
				perform();
			};
			const end = (error: Error): void => {
				if (worker === at) worker = undefined;
				void at.terminate();
				settle(() => reject(error));
			};
			const timer = setTimeout(() => end(new OutOfBounds(`it took more than ${seconds} s`)), seconds * 1000);
			at.once('message', (reply: Reply) =>
				settle(() => (reply.ok ? resolve(reply.value) : reject(new Error(reply.error))))
			);
			at.once('error', (error: NodeJS.ErrnoException) =>
				end(
					error.code === 'ERR_WORKER_OUT_OF_MEMORY'
						? new OutOfBounds(`it took more than ${megabytes} MB of memory`)
						: error
				)
			);
			at.postMessage({ task, input });
		});
	}

	return <K extends keyof Tasks>(
		task: K,
		input: Parameters<Tasks[K]>[0]
	): Promise<Awaited<ReturnType<Tasks[K]>>> => {
		const turn = last.then(() => perform(task, input) as Promise<Awaited<ReturnType<Tasks[K]>>>);
		last = turn.catch(() => undefined);
		return turn;
	};
}
