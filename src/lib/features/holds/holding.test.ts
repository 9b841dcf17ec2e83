import { expect, test, vi } from 'vitest';
import type { Hold, Measurement } from '$lib/core/wake/hold.ts';
import { Holding } from './holding.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { Swept } from '$lib/features/findings/sweeping.svelte.ts';

/** What pages look like, when that comes, and what was kept when they were held. */
const answers = vi.hoisted(() => ({
	seen: [] as (() => void)[],
	measurement: (): Promise<Measurement> => Promise.resolve({ page: 'a.html', longhands: [], widths: [] })
}));
vi.mock('$lib/inquiry/wake.ts', () => ({
	seenAt: () => new Promise((resolve) => answers.seen.push(() => resolve(new Map())))
}));
vi.mock('$lib/features/findings/sweeping.svelte.ts', () => ({
	sweptAs: () => ({ as: { height: 800, density: 1 } })
}));
vi.mock('$lib/session/page.svelte.ts', () => ({ PageState: vi.fn() }));
vi.mock('$lib/session/api.ts', () => ({ api: { measurement: () => answers.measurement() } }));

const hold = (allowed: string[]): Hold =>
	({ page: 'a.html', scope: 'all', element: '', measurement: 'm', widths: [], allowed }) as unknown as Hold;
function holding(...list: Hold[]) {
	const kept = { hold: { list } };
	const swept = {
		page: { path: 'a.html', bands: () => ({ thresholds: [] }), content: () => ({}) },
		stages: {},
		lead: {}
	} as unknown as Swept;
	return { of: new Holding({ id: 1, kept } as unknown as SiteState), kept, swept };
}
const { signal } = new AbortController();

test('what is found of a hold that was changed meanwhile says nothing of what it is now', async () => {
	const { of, kept, swept } = holding(hold([]));
	const checked = of.check(swept, signal);
	await vi.waitFor(() => expect(answers.seen).toHaveLength(1));
	kept.hold.list = [hold(['1.0'])];
	answers.seen.shift()?.();
	await checked;
	expect(of.stateOf(hold(['1.0']))).toBe('unknown');
	const again = of.check(swept, signal);
	await vi.waitFor(() => expect(answers.seen).toHaveLength(1));
	answers.seen.shift()?.();
	await again;
	expect(of.stateOf(hold(['1.0']))).toBe('holds');
});

test('what could not be read of a hold is asked for again', async () => {
	const { of, swept } = holding(hold([]));
	const working = answers.measurement;
	answers.measurement = () => Promise.reject(new Error('The server cannot be reached.'));
	await of.check(swept, signal);
	expect(of.trouble).toBe('The server cannot be reached.');
	expect(of.stateOf(hold([]))).toBe('unknown');
	answers.measurement = working;
	const again = of.check(swept, signal);
	await vi.waitFor(() => expect(answers.seen).toHaveLength(1));
	answers.seen.shift()?.();
	await again;
	expect(of.stateOf(hold([]))).toBe('holds');
});
