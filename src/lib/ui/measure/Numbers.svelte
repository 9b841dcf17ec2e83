<script lang="ts">
	import { printRational } from '$lib/core/interval/index.ts';
	import type { Threshold } from '$lib/core/media/index.ts';
	import Causes from './Causes.svelte';
	import type { Places } from './places.ts';
	import { apart, clusters, middle, type Cluster } from './ticks.ts';

	interface Props extends Places {
		/** Thresholds with their places on the bar, px. */
		marks: readonly { readonly at: number; readonly of: Threshold }[];
		room: number;
	}

	let { marks, room, placeOf, onplace }: Props = $props();

	let open = $state<number | null>(null);

	/** What the numbers of a group are, without repeating one that stands there with both sides. */
	const numbers = (group: Cluster<Threshold>): string => {
		const texts = [...new Set(group.map(({ of }) => printRational(of.cut.at)))];
		return texts.length <= 2 ? texts.join(' | ') : `${texts[0]} … ${texts.at(-1)}`;
	};

	const groups = $derived(apart(clusters(marks, 30), numbers));

	function goToFirst(group: Cluster<Threshold>): void {
		const cause = group[0]?.of.causes[0];
		if (cause) onplace(cause);
	}
</script>

{#each groups as group, i (i)}
	<div
		class="number"
		style:left="{middle(group)}px"
		role="presentation"
		onpointerenter={() => (open = i)}
		onpointerleave={() => (open = null)}
		onfocusin={() => (open = i)}
		onfocusout={(event) => {
			if (!event.currentTarget.contains(event.relatedTarget as Node | null)) open = null;
		}}
	>
		<button
			type="button"
			aria-expanded={open === i}
			aria-label="Threshold {numbers(group)}"
			onclick={() => goToFirst(group)}>{numbers(group)}</button
		>
		{#if open === i}
			<Causes
				thresholds={group.map(({ of }) => of)}
				{placeOf}
				{onplace}
				shift={middle(group) < 150 ? 'right' : middle(group) > room - 220 ? 'left' : 'none'}
			/>
		{/if}
	</div>
{/each}

<style>
	.number {
		position: absolute;
		bottom: 0;
		z-index: 4;
		translate: -50% 0;
	}

	button {
		min-width: 1.5rem;
		height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		background: none;
		font: 600 0.8125rem/1 var(--mono);
		white-space: nowrap;
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}
</style>
