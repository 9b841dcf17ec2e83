import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { PageContent, Read } from '../protocol.ts';
import { measuringQueue } from './queue.ts';
import type { Stage } from './stage.ts';

const content = { address: '/', html: '' } as PageContent;
const viewport = { width: 800, height: 600, density: 1 };

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** Stages that hang over some widths, a number of times; `opened` counts them. */
function stages(hangs: Map<number, number>) {
	const told = { opened: 0, closed: 0 };
	const open = (): Promise<Stage> => {
		told.opened++;
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
		return Promise.resolve({ host, close: () => void told.closed++ } as unknown as Stage);
	};
	return { open, told };
}

async function readAll(hangs: Map<number, number>, onhung?: (width: number) => void) {
	const { open, told } = stages(hangs);
	const queue = measuringQueue(open, 1);
	const widths = [400, 500, 600, 700];
	const found: number[] = [];
	const reading = (async () => {
		for await (const { width } of queue.read({ content, viewport, widths, ...(onhung ? { onhung } : {}) }))
			found.push(width);
		return 'done';
	})().catch((error: unknown) => (error as Error).message);
	for (let i = 0; i < 6; i++) await vi.advanceTimersByTimeAsync(21_000);
	return { ended: await reading, found, told };
}

it('opens a stage that hangs again, and measures once more what it had not told', async () => {
	expect(await readAll(new Map([[600, 1]]))).toEqual({
		ended: 'done',
		found: [400, 500, 600, 700],
		told: { opened: 2, closed: 1 }
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
