import { expect, test, vi } from 'vitest';
import type { Hold } from '$lib/core/wake/hold.ts';
import type { Changed } from '$lib/core/wake/index.ts';
import { Holding } from './holding.svelte.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { Swept } from '$lib/features/findings/sweeping.svelte.ts';

/** What is told of a hold, when that comes. */
const answers: { readonly come: (changed: Changed[]) => void; readonly fail: (why: Error) => void }[] = [];
const changed = () => new Promise<Changed[]>((come, fail) => answers.push({ come, fail }));
vi.mock('$lib/features/findings/sweeping.svelte.ts', () => ({
	sweptAs: () => ({ as: { height: 800, density: 1 } })
}));
vi.mock('$lib/session/page.svelte.ts', () => ({ PageState: vi.fn() }));

const hold = (allowed: string[]): Hold =>
	({ page: 'a.html', scope: 'all', element: '', measurement: 'm', widths: [], allowed }) as unknown as Hold;
function holding(...list: Hold[]) {
	const kept = { hold: { list } };
	const swept = {
		page: { path: 'a.html', texts: new Map() },
		stages: { measurer: { changed } },
		lead: {}
	} as unknown as Swept;
	return { of: new Holding({ id: 1, kept } as unknown as SiteState), kept, swept };
}
const { signal } = new AbortController();

test('what is found of a hold that was changed meanwhile says nothing of what it is now', async () => {
	const { of, kept, swept } = holding(hold([]));
	const checked = of.check(swept, signal);
	await vi.waitFor(() => expect(answers).toHaveLength(1));
	kept.hold.list = [hold(['1.0'])];
	answers.shift()?.come([]);
	await checked;
	expect(of.stateOf(hold(['1.0']))).toBe('unknown');
	const again = of.check(swept, signal);
	await vi.waitFor(() => expect(answers).toHaveLength(1));
	answers.shift()?.come([]);
	await again;
	expect(of.stateOf(hold(['1.0']))).toBe('holds');
});

test('what could not be told of a hold is said, and asked for again', async () => {
	const { of, swept } = holding(hold([]));
	const checked = of.check(swept, signal);
	await vi.waitFor(() => expect(answers).toHaveLength(1));
	answers.shift()?.fail(new Error('The server cannot be reached.'));
	await checked;
	expect(of.trouble).toBe('The server cannot be reached.');
	expect(of.stateOf(hold([]))).toBe('unknown');
	const again = of.check(swept, signal);
	await vi.waitFor(() => expect(answers).toHaveLength(1));
	answers.shift()?.come([]);
	await again;
	expect([of.trouble, of.stateOf(hold([]))]).toEqual(['', 'holds']);
});
