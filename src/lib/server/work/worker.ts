import { parentPort } from 'node:worker_threads';
import { messageOf } from '$lib/core/text/index.ts';
import { TASKS, type Tasks } from './tasks.ts';

/** Runs in a thread of its own, built as one file: does the tasks that it is sent, one after another. */
parentPort?.on('message', async ({ task, input }: { task: keyof Tasks; input: never }) => {
	try {
		parentPort?.postMessage({ ok: true, value: await TASKS[task](input) });
	} catch (error) {
		parentPort?.postMessage({ ok: false, error: messageOf(error) });
	}
});
