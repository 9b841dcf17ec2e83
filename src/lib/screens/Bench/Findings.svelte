<script lang="ts">
	import { findingOf, KINDS } from '$lib/core/findings/index.ts';
	import { elementAt, nameOfElement, wordsIn, type ElementPath } from '$lib/core/html/index.ts';
	import { intervals, printIntervalSet } from '$lib/core/interval/index.ts';
	import { wholePixels } from '$lib/core/media/index.ts';
	import type { Found } from '$lib/core/sweep/index.ts';
	import { carriage } from '$lib/state/carriage.svelte.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import { readPaths, selectionView } from '$lib/state/selection.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import type { Sweeping, Swept } from '$lib/state/sweeping.svelte.ts';

	interface Props {
		page: PageState;
		sweeping: Sweeping;
		/** What is to be swept; null while there are no frames. */
		swept: Swept | null;
		onselect: (paths: readonly ElementPath[]) => void;
	}

	let { page, sweeping, swept, onselect }: Props = $props();

	/** How long the texts rest before they are swept, ms. */
	const REST = 400;
	$effect(() => {
		void page.conditions;
		void sweeping.paused;
		const asked = swept;
		if (!asked) return;
		const gone = new AbortController();
		const timer = setTimeout(() => void sweeping.sweep(asked, gone.signal), REST);
		return () => {
			clearTimeout(timer);
			gone.abort();
		};
	});

	/** The first whole px of a finding, or the one between px where it has no other. */
	function firstWidth({ widths, worst }: Found): number {
		const [first] = intervals(widths);
		return (first && wholePixels(first, [0, Infinity])?.[0]) ?? worst;
	}

	const rows = $derived(
		sweeping.found
			.flatMap((found) => {
				const of = findingOf(found.key);
				if (!of) return [];
				const paths = of.paths.flatMap((path) => readPaths(path || 'r'));
				const names = paths.map((path) => {
					const element = elementAt(page.page, path);
					if (!element) return 'something';
					const said = wordsIn(element, 24);
					return `${nameOfElement(element)}${said === '' ? '' : ` “${said}”`}`;
				});
				return [{ found, paths, kind: of.kind, words: of.kind.sentence(names, found.by) }];
			})
			.sort((a, b) => KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind) || b.found.by - a.found.by)
	);

	/** Shows a finding where it begins: the carriage there, its elements selected and in sight. */
	function show(found: Found, paths: readonly ElementPath[]): void {
		sweeping.chosen = found.key;
		carriage.width = firstWidth(found);
		onselect(paths);
		selectionView.reveal = [...(paths[0] ?? [])];
	}

	const { measured, of, unseen } = $derived(sweeping.coverage);
	const seen = $derived(
		sweeping.phase === 'done'
			? `All ${of} widths measured.`
			: `${measured} of ${of} widths measured${measured === 0 ? '' : `; the longest stretch not looked at is ${unseen} px`}.`
	);
</script>

<div class="head">
	<p role="status">
		<b
			>{rows.length === 0
				? measured === 0
					? 'Nothing measured yet.'
					: 'Nothing found so far.'
				: `${rows.length} found.`}</b
		>
		<span>{seen}</span>
	</p>
	{#if sweeping.phase !== 'done'}
		<Button look="quiet" onclick={() => (sweeping.paused = !sweeping.paused)}
			>{sweeping.paused ? 'Go on to every width' : 'Pause after the quick ones'}</Button
		>
	{/if}
</div>
{#if sweeping.trouble !== ''}<p class="trouble" role="alert">{sweeping.trouble}</p>{/if}
<ul>
	{#each rows as { found, paths, kind, words } (found.key)}
		<li>
			<button
				type="button"
				class="finding"
				aria-current={sweeping.chosen === found.key}
				onclick={() => show(found, paths)}
			>
				<span class="widths">{printIntervalSet(found.widths)}{found.exact ? '' : ' …'}</span>
				<span>{words}{kind.standard ? ` ${kind.standard}.` : ''}</span>
			</button>
		</li>
	{/each}
</ul>

<style>
	.head {
		display: flex;
		gap: 0.875rem;
		align-items: baseline;
		justify-content: space-between;
		font-size: 0.8125rem;
	}

	.head span {
		color: var(--ink-2);
	}

	.head :global(button) {
		flex: none;
	}

	.trouble {
		color: var(--rubric);
	}

	ul {
		margin: 0.375rem 0 0;
		padding: 0;
		list-style: none;
	}

	.finding {
		display: grid;
		grid-template-columns: 7.5rem minmax(0, 1fr);
		gap: 0.75rem;
		width: 100%;
		min-height: 1.75rem;
		padding: 0.25rem;
		border: 0;
		border-bottom: 1px solid var(--hair);
		background: none;
		color: inherit;
		font-size: 0.8125rem;
		text-align: left;
		cursor: pointer;
	}

	.finding:hover,
	.finding[aria-current='true'] {
		background: var(--pick);
	}

	.widths {
		color: var(--rubric);
		font-family: var(--mono);
	}
</style>
