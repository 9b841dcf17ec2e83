<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { insist } from '$lib/session/insist.ts';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { sentenceOf } from '$lib/core/text/index.ts';
	import { requestMarkup } from '$lib/features/markup/markup.ts';
	import Guarded from '$lib/ui/Guarded.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import { untrack } from 'svelte';
	import type { BenchState } from './bench.svelte.ts';
	import FirstLook from './FirstLook.svelte';
	import type { Tab } from './tabs.ts';

	let { bench }: { bench: BenchState } = $props();
	const { originals, selectionView, states, viewing } = getSite();
	const { site, workbench, writing, watching, reach, trace } = untrack(() => bench);
	const { select } = workbench;
	const { page, selected, original, lead, bands, named, swept, rule, tab } = $derived(bench);
	const { table, edits } = $derived(writing);
	const { sweeping, following } = $derived(watching);
	const proposal = $derived(edits?.proposal ?? null);
	/** Proposes a larger edit, in place of what was tried before. */
	const anew = () => writing.anew();

	const on = $derived(states.pins.length + states.staged.length);
	/** A panel about the selection or the page. */
	const panel = (group: 'selection' | 'page', id: Tab, name: string, title: string, mark = '') => ({
		id,
		name,
		title,
		mark,
		group
	});
	const tabs = $derived([
		panel('selection', 'box', 'Box', 'The box of what is selected'),
		panel('selection', 'collation', 'Collation', 'What is declared on what is selected, a column a band'),
		panel('selection', 'trace', 'Trace', 'Why what is selected has the values it has'),
		panel('selection', 'reach', 'Reach', 'Selectors for what is selected, and what else they match'),
		panel('selection', 'curve', 'Curve', 'A value of what is selected over all widths, and where it changes'),
		panel('selection', 'markup', 'Markup', 'The HTML of what is selected'),
		panel('page', 'findings', 'Findings', 'What is wrong on the page, with the widths'),
		panel('page', 'outline', 'Outline', 'All elements of the page'),
		panel('page', 'states', 'States', 'States pinned in the frames', on > 0 ? String(on) : ''),
		panel(
			'page',
			'original',
			'Original',
			'Pictures of how the page should look',
			originals.mode === 'off' || !original ? '' : originals.mode
		)
	]);
	/** The box of the selection relative to the lead's page. */
	const box = $derived.by(() => {
		const lead = selectionView.boxes.find(({ frame }) => frame === 'lead');
		const found = lead?.boxes[0];
		return found ? { ...found, left: found.left + lead.scroll.x, top: found.top + lead.scroll.y } : undefined;
	});
	const [first, second] = $derived(selected);
	const known = $derived({
		unsteady: new Set(
			site.kept.unsteady.list.flatMap(({ page: of, name }) => (of === page.path ? [name] : []))
		),
		given: site.given
	});
	const newRule = async (path: ElementPath, selector?: string): Promise<void> =>
		(await insist(() => import('./newRule.ts'))).newRuleFor(bench, path, selector);
	let panelElement: HTMLElement;
	$effect(() => {
		if (bench.panelsAsked > 0) panelElement.focus();
	});

	async function give(paths: readonly ElementPath[], name: string): Promise<string> {
		const { proposal } = await writing.anew();
		return sentenceOf(await requestMarkup(site, page, proposal, paths, { kind: 'give-class', name }));
	}
</script>

<section aria-label="What is selected">
	<Tabs
		label="About what is selected"
		wraps
		{tabs}
		chosen={tab}
		onchoose={(id) => (bench.tab = tabs.find((one) => one.id === id)?.id ?? 'box')}
	/>
	<div
		class="inner"
		role="tabpanel"
		tabindex="0"
		bind:this={panelElement}
		aria-label={tabs.find(({ id }) => id === tab)?.name}
	>
		{#key tab}
			<Guarded name={tabs.find(({ id }) => id === tab)?.name ?? ''}>
				{#if tab === 'outline'}
					{#await insist(() => import('$lib/features/outline/Outline.svelte')) then { default: Outline }}
						<Outline {page} {selected} onselect={select} unseen={bench.unseen} {lead} onrule={newRule} />
					{/await}
				{:else if tab === 'original'}
					{#await insist(() => import('$lib/features/originals/Originals.svelte')) then { default: Originals }}
						<Originals page={page.path} current={original} {box} onalign={bench.alignOriginal} />
					{/await}
				{:else if tab === 'findings'}
					{#await insist(() => import('$lib/features/findings/Findings.svelte')) then { default: Findings }}
						{#if sweeping}<Findings
								{site}
								{page}
								{sweeping}
								{swept}
								onselect={select}
								onplace={bench.toPlace}
								onpropose={anew}
								onjoin={bench.join}
							/>{/if}
					{/await}
				{:else if tab === 'states'}
					{#await insist(() => import('$lib/features/states/States.svelte')) then { default: States }}
						<States {site} {page} {selected} {named} />
					{/await}
				{:else if !first}
					<p class="empty">
						Click an element in a frame. Click again for its parent; Ctrl-click another to compare the two.
					</p>
					<FirstLook />
				{:else if tab === 'curve'}
					{#await insist(() => import('$lib/features/curve/CurveOf.svelte')) then { default: CurveOf }}
						{#if following}<CurveOf
								{site}
								{page}
								{following}
								{bands}
								path={first}
								{trace}
								onplace={bench.toPlace}
							/>{/if}
					{/await}
				{:else if tab === 'markup'}
					{#await insist(() => import('$lib/features/markup/Markup.svelte')) then { default: Markup }}
						{#if proposal}<Markup {site} {page} paths={selected} {proposal} />{/if}
					{/await}
				{:else if tab === 'collation'}
					{#await insist(() => import('$lib/features/collation/Collation.svelte')) then { default: Collation }}
						{#if viewing.wide}
							<p class="empty">The Collation is open at the whole width; <kbd>C</kbd> brings it back here.</p>
						{:else if table && proposal}
							<Collation
								{page}
								paths={selected}
								{...table}
								{site}
								{proposal}
								onplace={bench.toPlace}
								rooms={{ column: 6.5, names: 7 }}
							/>
						{/if}
					{/await}
				{:else if tab === 'trace'}
					<!-- What answers why is large: it comes when first asked for. -->
					{#await insist(() => import('$lib/features/trace/Trace.svelte')) then { default: TraceView }}
						<TraceView
							{page}
							path={first}
							{lead}
							{bands}
							{trace}
							onplace={bench.toPlace}
							onselect={select}
							onmute={(file, { words, span }) =>
								site.texts.get(file)?.mute({
									words,
									span: { start: page.inFile(file, span.start), end: page.inFile(file, span.end) }
								})}
						/>
					{/await}
				{:else if tab === 'reach'}
					{#await insist(() => import('$lib/features/reach/Reach.svelte')) then { default: Reach }}
						<Reach
							{page}
							paths={selected}
							{lead}
							file={bench.shown}
							{known}
							questions={{ reach, matching: bench.matching, trace }}
							{rule}
							onwrite={bench.reselect}
							onrule={(selector) => newRule(first, selector)}
							{give}
						/>
					{/await}
				{:else if second}
					{#await insist(() => import('$lib/features/box/Twins.svelte')) then { default: Twins }}
						<Twins {page} paths={[first, second]} computed={bench.computed} />
					{/await}
				{:else}
					{#await insist(() => import('$lib/features/box/Box.svelte')) then { default: Box }}
						<Box
							{page}
							path={first}
							{named}
							onselect={select}
							questions={{ instead: bench.instead, spaces: bench.spaces, trace }}
							width={lead.width}
							{table}
							oncollate={bench.collate}
							onplace={bench.toPlace}
						/>
					{/await}
				{/if}
			</Guarded>
		{/key}
	</div>
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		height: 100%;
		min-height: 0;
		background: var(--sheet);
	}

	.inner {
		flex: 1;
		min-height: 0;
		padding: 0.625rem 0.875rem;
		overflow: auto;
	}

	.empty {
		max-width: 46ch;
		color: var(--ink-2);
	}
</style>
