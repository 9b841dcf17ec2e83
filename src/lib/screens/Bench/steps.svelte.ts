import { untrack } from 'svelte';
import { elementAround, type ElementPath } from '$lib/core/html/index.ts';
import { elementsOf } from '$lib/core/selector/index.ts';
import type { FilePlace } from '$lib/core/text/index.ts';
import { caretRule } from '$lib/editor/caretRule.ts';
import { pagesOf } from './answers.ts';
import type { BenchState } from './bench.svelte.ts';

/**
 * The element that a place of a file concerns: in a page the one there, in a sheet the first that its rule matches.
 */
async function elementOf(
	{ page, site, found }: BenchState,
	place: FilePlace
): Promise<ElementPath | undefined> {
	const file = site.texts.get(place.path);
	const rule = file && caretRule(file, page.sources);
	if (rule) return page.has(place.path) ? (await found?.(elementsOf(rule.selector)))?.[0] : undefined;
	return place.path === page.path ? elementAround(page.page, page.withErrands(place.offset)).path : undefined;
}

/**
 * After a step was undone or redone, sheet and frames go to what it changed: in the shown file, where the step
 * changed that, and on its page, or one that uses the sheet. To be called during component initialisation of the
 * Bench.
 */
export function goWithSteps(bench: BenchState): void {
	const { site, workbench } = bench;
	let before = site.history.last;
	$effect(() => {
		const { last } = site.history;
		if (last === before) return;
		before = last;
		untrack(() => void go(last?.places ?? []));
	});

	async function go(places: readonly FilePlace[]): Promise<void> {
		const place = places.find(({ path }) => path === bench.shown) ?? places[0];
		if (!place) return;
		workbench.show(place);
		const uses = bench.page.path === place.path || bench.page.has(place.path);
		const other = uses ? undefined : pagesOf(site, [place.path])[0];
		if (other !== undefined) workbench.open(other);
		else site.selectionView.reveal = (await elementOf(bench, place)) ?? site.selectionView.reveal;
	}
}
