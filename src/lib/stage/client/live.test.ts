import { expect, it, vi } from 'vitest';
import type { PageContent, Placement } from '../protocol.ts';
import { liveFrames, type Scene } from './live.ts';
import type { Stage } from './stage.ts';

const content = (text: string): PageContent =>
	({ address: '/', html: '', sheets: [{ element: [0], text }] }) as unknown as PageContent;
const scene = (text: string, left = 0): Scene => ({
	placements: [{ frame: 'lead', left } as Placement],
	contents: new Map([['lead', content(text)]])
});

function stage() {
	const host = {
		arrange: vi.fn(() => Promise.resolve(1)),
		write: vi.fn(() => Promise.resolve(1)),
		restyle: vi.fn(() => Promise.resolve(1))
	};
	return { host, live: liveFrames({ host } as unknown as Stage) };
}

it('writes with the next scene what could not be written with the last', async () => {
	const { host, live } = stage();
	host.write.mockRejectedValueOnce(new Error('The frame has no document.'));
	await expect(live.show(scene('a { }'))).rejects.toThrow('no document');
	await live.show(scene('a { }'));
	expect(host.write).toHaveBeenCalledTimes(2);
	host.restyle.mockRejectedValueOnce(new Error('no document'));
	await expect(live.show(scene('b { }'))).rejects.toThrow('no document');
	await live.show(scene('b { }'));
	expect(host.write).toHaveBeenCalledTimes(3);
	await live.show(scene('b { }'));
	expect(host.write).toHaveBeenCalledTimes(3);
	expect(host.restyle).toHaveBeenCalledTimes(1);
});

it('arranges anew what could not be arranged, and shows the scene that waits after one that failed', async () => {
	const { host, live } = stage();
	host.arrange.mockRejectedValueOnce(new Error('gone'));
	const [first, second] = [live.show(scene('a { }')), live.show(scene('a { }', 5))];
	await expect(first).resolves.toBe(1);
	await expect(second).resolves.toBe(1);
	expect(host.arrange).toHaveBeenCalledTimes(2);
	await live.show(scene('a { }', 5));
	expect(host.arrange).toHaveBeenCalledTimes(2);
});
