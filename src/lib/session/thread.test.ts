import { expose } from 'comlink';
import { expect, test } from 'vitest';
import { Thread } from './thread.ts';

/** What stands for a worker: what it does is done here, over a channel. */
class Stand extends EventTarget {
	readonly #channel = new MessageChannel();
	isGone = false;

	constructor(remote: object) {
		super();
		expose(remote, this.#channel.port2);
		this.#channel.port1.onmessage = ({ data }) =>
			this.dispatchEvent(new MessageEvent('message', { data: data as unknown }));
	}

	postMessage(data: unknown): void {
		this.#channel.port1.postMessage(data);
	}

	terminate(): void {
		this.isGone = true;
		this.#channel.port1.close();
		this.#channel.port2.close();
	}
}

const never = (): Promise<never> => new Promise(() => undefined);
function threads() {
	const begun: Stand[] = [];
	const remote = { twice: (n: number) => 2 * n, refuse: () => Promise.reject(new Error('No.')), never };
	const thread = new Thread<typeof remote>(() => {
		const stand = new Stand(remote);
		begun.push(stand);
		return stand as unknown as Worker;
	});
	return { thread, begun };
}

test('one is begun when it is first asked, and answers what it is asked, errors too', async () => {
	const { thread, begun } = threads();
	expect(begun).toHaveLength(0);
	expect(await thread.ask((remote) => remote.twice(4))).toBe(8);
	await expect(thread.ask((remote) => remote.refuse())).rejects.toThrow('No.');
	expect(await thread.ask((remote) => remote.twice(5))).toBe(10);
	expect(begun).toHaveLength(1);
	thread.end();
});

test('where it fails or is ended, what it was asked is refused with the reason, and another is begun', async () => {
	const { thread, begun } = threads();
	const asked = thread.ask((remote) => remote.never());
	begun[0]?.dispatchEvent(Object.assign(new Event('error'), { message: '' }));
	await expect(asked).rejects.toThrow('A part of the application could not be loaded.');
	const again = thread.ask((remote) => remote.never());
	thread.end(new Error('It takes too long.'));
	await expect(again).rejects.toThrow('It takes too long.');
	let texts: unknown;
	expect(
		await thread.ask((remote, sender) => {
			texts = sender;
			return remote.twice(1);
		})
	).toBe(2);
	await thread.ask((remote, sender) => {
		expect(sender).toBe(texts);
		return remote.twice(1);
	});
	expect(begun.map(({ isGone }) => isGone)).toEqual([true, true, false]);
	thread.end();
});

test('while its script does not come it is asked again', async () => {
	const { thread, begun } = threads();
	const asked = thread.ask((remote) => (begun.length > 1 ? remote.twice(3) : remote.never()));
	// What the browser says of a script that it could not load.
	begun[0]?.dispatchEvent(new Event('error'));
	expect(await asked).toBe(6);
	expect(begun.map(({ isGone }) => isGone)).toEqual([true, false]);
	thread.end();
});
