<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { insist } from '$lib/session/insist.ts';
	import { asStorage } from '$lib/session/store.ts';
	import { Pane, PaneGroup, PaneResizer } from 'paneforge';
	import { onDestroy, untrack } from 'svelte';
	import type { Workbench } from '$lib/session/workbench.ts';
	import Guarded from '$lib/ui/Guarded.svelte';
	import { turns } from '$lib/ui/turns.svelte.ts';
	import FramesTable from '$lib/features/frames/FramesTable.svelte';
	import { LEAST_COLUMN, NAMES } from '$lib/features/frames/framing.svelte.ts';
	import type { FramesView } from '$lib/features/frames/view.svelte.ts';
	import { pagesOf } from './answers.ts';
	import { BenchState } from './bench.svelte.ts';
	import { goWithSteps } from './steps.svelte.ts';
	import { benchKeys } from './benchKeys.ts';
	import Below from './Below.svelte';
	import SheetPanel from './SheetPanel.svelte';

	let { workbench, view }: { workbench: Workbench; view: FramesView } = $props();
	const { viewing } = getSite();
	const { site, page, selected } = $derived(workbench);

	const bench = untrack(() => new BenchState(view));
	goWithSteps(bench);
	const { writing, watching } = bench;
	const { table, edits } = $derived(writing);
	const { waking, holding } = $derived(watching);
	const { bands, swept } = $derived(bench);
	const shift = writing.shift(() => bench.bands);
	/** When a panel fails, its part of the Measure is left out: the panel says why. */
	function orNull<A>(ask: () => A | null | undefined): A | null {
		try {
			return ask() ?? null;
		} catch {
			return null;
		}
	}
	const reach = $derived(orNull(() => (table?.hand.held ? table.hand.reach : waking?.wake?.widths)));
	const held = $derived(orNull(() => watching.isHolding && holding?.widthsOn(page.path)) || null);
	$effect.pre(() => {
		const stretches = { reach, held, found: orNull(() => watching.found) };
		view.onMeasure = { onshift: shift, onjoin: bench.join, stretches, hung };
	});
	onDestroy(() => (view.onMeasure = {}));

	/** The frames come first, then the sheet, then what is below it. */
	const turn = turns(3);
	let sheet = $state<SheetPanel>();
	let frames = $state<FramesTable>();

	$effect(() => {
		const keys = benchKeys(
			bench,
			() => sheet,
			() => frames
		);
		workbench.bindKeys(keys);
		return () => workbench.bindKeys({});
	});
</script>

{#snippet hung()}
	{#if edits}
		{#await insist(() => import('$lib/features/arrange/EditCards.svelte')) then { default: EditCards }}
			<Guarded name="What is tried">
				{#if edits}<EditCards
						{edits}
						{site}
						{bands}
						pagesOf={(files) => pagesOf(site, files)}
						onplace={workbench.show}
					/>{/if}
			</Guarded>
		{/await}
	{/if}
{/snippet}
<main
	class:tall={viewing.tall}
	class:alone={(viewing.alone && !viewing.wide) || (viewing.wide && !viewing.drawer)}
>
	<PaneGroup direction="horizontal" autoSaveId="vantaggio-across" storage={asStorage}>
		<Pane defaultSize={61} minSize={30}>
			<Guarded name="The frames">
				{#if turn.done > 0}
					<FramesTable
						bind:this={frames}
						{view}
						laid={{ original: bench.original, onalign: bench.alignOriginal }}
						onholds={() => void watching.bringHolding()}
						edited={waking?.wake?.edited ?? null}
					>
						{#snippet holds()}
							{#if swept && holding}
								{#await insist(() => import('$lib/features/holds/Holds.svelte')) then { default: Holds }}
									<Guarded name="Holds">
										{#if swept && holding}
											<Holds {site} {holding} {swept} {bands} {selected} name={bench.selectedName} />
										{/if}
									</Guarded>
								{/await}
							{/if}
						{/snippet}
						{#snippet below()}
							{#if !selected[0]}
								<p class="nothing">
									Find something (<kbd>/</kbd>), or <kbd>C</kbd> and a click in a frame, to see it band by band.
								</p>
							{:else if table && edits}
								{#await insist(() => import('$lib/features/collation/Collation.svelte')) then { default: Collation }}
									<Guarded name="The Collation">
										{#if table && edits}
											<Collation
												wide
												{page}
												paths={selected}
												{...table}
												{site}
												proposal={edits.proposal}
												onplace={bench.toPlace}
												rooms={{ column: LEAST_COLUMN, names: NAMES }}
											/>
										{/if}
									</Guarded>
								{/await}
							{/if}
						{/snippet}
					</FramesTable>
				{/if}
			</Guarded>
		</Pane>
		<PaneResizer class="across" aria-label="Width of the sheet" />
		<Pane defaultSize={39} minSize={20} class="right">
			<PaneGroup direction="vertical" autoSaveId="vantaggio-down" storage={asStorage}>
				<Pane defaultSize={64} minSize={20} class="sheet">
					<Guarded name="The sheet">
						{#if turn.done > 1}<SheetPanel bind:this={sheet} {bench} onedit={() => frames?.show()} />{/if}
					</Guarded>
				</Pane>
				<PaneResizer class="down" aria-label="Height of the sheet" />
				<Pane defaultSize={36} minSize={8} class="panel">
					{#if turn.done > 2}<Below {bench} />{/if}
				</Pane>
			</PaneGroup>
		</Pane>
	</PaneGroup>
</main>

<style>
	main {
		grid-area: work;
		min-height: 0;
	}

	main :global([data-pane-resizer]) {
		position: relative;
		flex: none;
		background: var(--hair);
	}

	main :global(.across) {
		width: 1px;
	}

	main :global(.down) {
		height: 1px;
	}

	/* The area for the pointer is wider than the line. */
	main :global([data-pane-resizer])::after {
		position: absolute;
		inset: -0.25rem;
		z-index: 2;
		content: '';
	}

	main :global([data-pane-resizer]:is(:hover, :focus-visible)) {
		background: var(--ink);
	}

	/* With large text the sheet keeps eight lines, and the panel below has to be scrolled to. */
	main :global(.right) {
		overflow: hidden auto !important;
	}

	main :global(.right > [data-pane-group]) {
		min-height: 30rem;
	}

	.tall :global(.right > [data-pane-group]) {
		min-height: 0;
	}

	.nothing {
		grid-area: table;
		padding: 1.5rem;
	}

	.tall :global(.sheet),
	.tall :global(.down) {
		display: none;
	}

	.tall :global(.panel) {
		flex-grow: 1 !important;
	}

	.alone :global(.right),
	.alone :global(.across) {
		display: none;
	}
</style>
