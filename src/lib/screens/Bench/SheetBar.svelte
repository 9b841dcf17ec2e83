<script lang="ts">
	import { whyNot, type Result } from '$lib/core/text/index.ts';
	import { store } from '$lib/session/store.ts';
	import type { Snippet } from 'svelte';
	import { printInterval, ZERO, type Interval } from '$lib/core/interval/index.ts';
	import type { Band, Bands } from '$lib/core/media/index.ts';
	import Menu from '$lib/ui/Menu.svelte';

	interface Props {
		bands: Bands;
		/** The carriage's band. */
		here: Band;
		/** Wraps the rules of the selection, or removes the condition around it. */
		onwrap: (interval: Interval | null, join: boolean) => Promise<Result>;
		/** Further actions. */
		children: Snippet;
	}

	let { bands, here, onwrap, children }: Props = $props();

	let menu: Menu;

	/** Opens the choice of conditions for wrapping. */
	export const chooseWrap = (): void => menu.open();
	export const unwrap = (): void => void wrap(null);

	const JOIN = 'vantaggio-wrap-join';
	let join = $state(store.get(JOIN) === 'yes');
	let sentence = $state<string | null>(null);
	$effect(() => void store.set(JOIN, join ? 'yes' : 'no'));

	const from = ({ lo, loClosed }: Interval): Interval => ({ lo, loClosed, hi: null, hiClosed: false });
	const under = ({ hi, hiClosed }: Interval): Interval => ({ lo: ZERO, loClosed: false, hi, hiClosed });

	/** Conditions that end where an interval begins. */
	const below = ({ lo, loClosed }: Interval): Interval => ({
		lo: ZERO,
		loClosed: false,
		hi: lo,
		hiClosed: !loClosed
	});

	type Named = readonly [name: string, interval: Interval];
	/** Intervals, each once by its notation; without "every width", which would be no condition. */
	function named(...intervals: Interval[]): Named[] {
		const found = new Map(intervals.map((interval): Named => [printInterval(interval), interval]));
		found.delete('every width');
		return [...found];
	}
	const around = $derived(named(from(here.interval), under(here.interval), here.interval));
	const pairs = $derived(
		named(...bands.bands.slice(1).flatMap(({ interval }) => [below(interval), from(interval)]))
	);

	/** Requests that the selection be wrapped; with null, that the condition around it be removed. */
	async function wrap(interval: Interval | null): Promise<void> {
		sentence = whyNot(await onwrap(interval, join));
	}
</script>

{#snippet choices(stretches: readonly Named[])}
	<div class="stretches">
		{#each stretches as [name, interval] (name)}
			<button type="button" onclick={() => void wrap(interval)}>{name}</button>
		{/each}
	</div>
{/snippet}

<div class="bar" role="group" aria-label="Rules of the sheet">
	<Menu label="Wrap" bind:this={menu}>
		<p>Wrap the selected rules in a condition for the band at the carriage</p>
		{@render choices(around)}
		<p>Under or from a breakpoint</p>
		{@render choices(pairs)}
		<label
			><input type="checkbox" bind:checked={join} /> use a following block with the same condition, if there is
			one</label
		>
	</Menu>
	<button type="button" class="plain" onclick={unwrap}>Unwrap</button>
	{@render children()}
	<p class="said" role="status">{sentence ?? ''}</p>
</div>

<style>
	.bar {
		display: flex;
		gap: 1rem;
		align-items: center;
		min-height: 2rem;
		padding: 0 0.875rem;
		border-bottom: 1px solid var(--hair);
		color: var(--ink-2);
		font-size: 0.8125rem;
		white-space: nowrap;
	}

	.stretches {
		display: grid;
		grid-template-columns: repeat(2, 1fr);
		gap: 0.25rem 0.5rem;
	}

	button {
		min-height: 1.625rem;
		padding: 0 0.5rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 0.8125rem/1.2 var(--mono);
		text-align: left;
		cursor: pointer;
	}

	button:hover {
		border-color: var(--ink);
	}

	.plain {
		padding: 0;
		border: 0;
		font: inherit;
	}

	.plain:hover {
		text-decoration: underline;
	}

	label {
		display: flex;
		gap: 0.375rem;
		align-items: center;
	}

	.said {
		overflow: hidden;
		color: var(--rubric);
		text-overflow: ellipsis;
	}
</style>
