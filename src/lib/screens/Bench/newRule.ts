import { elementAt, type ElementPath } from '$lib/core/html/index.ts';
import { candidatesFor } from '$lib/core/selector/index.ts';
import { lineageOf } from '$lib/inquiry/lineage.ts';
import { deskOf } from '$lib/session/desk.ts';
import { notify } from '$lib/session/notices.svelte.ts';
import { writeNewRule } from '$lib/writing/newRule.ts';
import type { BenchState } from './bench.svelte.ts';

/**
 * The selector that Reach would put first for a single element: of the steady ones, the one with the fewest matches.
 */
async function ownSelector(bench: BenchState, path: ElementPath): Promise<string | undefined> {
	const element = elementAt(bench.page.page, path);
	const steady = (element ? candidatesFor(element) : []).filter(
		({ fragile, rung }) => fragile === '' && rung !== 'part'
	);
	const { here, elsewhere } = await bench.reach(steady.map(({ selector }) => selector));
	const counts = steady.map(
		(_, i) => (here[i] ?? Infinity) + [...elsewhere.values()].reduce((sum, one) => sum + (one[i] ?? 0), 0)
	);
	return steady[counts.indexOf(Math.min(...counts))]?.selector;
}

/** Adds a new rule for an element next to those that match it, as a step, with the caret in it. */
export async function newRuleFor(bench: BenchState, path: ElementPath, selector?: string): Promise<void> {
	const { page, stages, lead, site, workbench } = bench;
	const chosen = selector ?? (await ownSelector(bench, path));
	const of = stages && (await lineageOf(page, stages, path, lead)).at(lead.width)[0];
	if (chosen === undefined || !of) return;
	const desk = deskOf(site);
	const written = writeNewRule(desk, page, bench.shown, chosen, of);
	if (!written.ok) {
		notify(written.sentence);
		return;
	}
	site.history.make(desk.working.edit(`New rule ${chosen}`));
	workbench.show(written.value);
}
