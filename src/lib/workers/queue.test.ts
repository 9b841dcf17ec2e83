import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { PageContent, Read } from '../stage/protocol.ts';
import { measuringQueue, type MeasuringStage } from './queue.ts';

const content = { address: '/', html: '' } as PageContent;
const viewport = { width: 800, height: 600, density: 1 };

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** Stages that hang over some widths, a number of times; `opened` counts them. */
function stages(hangs: Map<number, number>) {
	const counted = { opened: 0, closed: 0 };
	const open = (): Promise<MeasuringStage> => {
		counted.opened++;
		const host = {
			async read(_: PageContent, __: unknown, widths: number[], report: (read: Read) => void) {
				for (const width of widths) {
					const left = hangs.get(width) ?? 0;
					hangs.set(width, left - 1);
					if (left > 0) await new Promise(() => undefined);
					report({ width, readings: new Map([['x', width]]) });
				}
			}
		};
		return Promise.resolve({ host, close: () => void counted.closed++ } as unknown as MeasuringStage);
	};
	return { open, counted };
}

async function readAll(hangs: Map<number, number>, onhung?: (width: number) => void) {
	const { open, counted } = stages(hangs);
	const queue = measuringQueue(open, 1);
	const widths = [400, 500, 600, 700];
	const found: number[] = [];
	const reading = (async () => {
		for await (const { width } of queue.read({ content, viewport, widths, ...(onhung ? { onhung } : {}) }))
			found.push(width);
		return 'done';
	})().catch((error: unknown) => (error as Error).message);
	for (let i = 0; i < 6; i++) await vi.advanceTimersByTimeAsync(21_000);
	return { ended: await reading, found, counted };
}

it('opens a stage that hangs again, and measures once more what it had not told', async () => {
	expect(await readAll(new Map([[600, 1]]))).toEqual({
		ended: 'done',
		found: [400, 500, 600, 700],
		counted: { opened: 2, closed: 1 }
	});
});

it('gives up a width over which it hangs twice, names it, and goes on with the others', async () => {
	const given: number[] = [];
	const { ended, found } = await readAll(new Map([[500, 2]]), (width) => given.push(width));
	expect({ ended, found, given }).toEqual({ ended: 'done', found: [400, 600, 700], given: [500] });
});

it('ends a job that is not told of such widths with a sentence that names the first', async () => {
	const { ended, found } = await readAll(new Map([[500, 2]]));
	expect(found).toEqual([400]);
	expect(ended).toBe('The page hangs while it is laid out at 500 px: tried twice, and given up there.');
});

it('ends what is asked of it when it is closed, and opens no stage any more', async () => {
	const { open, counted } = stages(new Map([[500, 9]]));
	const queue = measuringQueue(open, 1);
	const all = async (widths: number[]): Promise<number[]> => {
		const found: number[] = [];
		for await (const { width } of queue.read({ content, viewport, widths })) found.push(width);
		return found;
	};
	// One is under way and hangs, one waits for it.
	const [running, waiting] = [all([400, 500, 600]), all([700])];
	await vi.advanceTimersByTimeAsync(1000);
	queue.close();
	expect(await running).toEqual([400]);
	expect(await waiting).toEqual([]);
	expect(await all([800])).toEqual([]);
	await vi.advanceTimersByTimeAsync(60_000);
	expect(counted).toEqual({ opened: 1, closed: 1 });
});

it('closes a stage that comes when the queue is closed already', async () => {
	const { open, counted } = stages(new Map());
	let come: () => void = () => undefined;
	const queue = measuringQueue(() => new Promise((resolve) => (come = () => resolve(open()))), 1);
	const reading = (async () => {
		for await (const { width } of queue.read({ content, viewport, widths: [400] })) return width;
		return undefined;
	})();
	await vi.advanceTimersByTimeAsync(10);
	queue.close();
	come();
	expect(await reading).toBeUndefined();
	await vi.advanceTimersByTimeAsync(10);
	expect(counted).toEqual({ opened: 1, closed: 1 });
});
