<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import Button from '$lib/ui/Button.svelte';
	import PlaceButton from '$lib/ui/PlaceButton.svelte';

	interface Props {
		/** Whole px on both sides of where something begins, ends or changes. */
		edges: readonly number[];
	}

	let { edges }: Props = $props();
	const { carriage, viewing } = getSite();

	const isPair = $derived(viewing.beside === 'narrower');
</script>

<p>
	<span>Edges, by <kbd>B</kbd> too:</span>
	{#each edges as edge, i (i)}
		<PlaceButton current={carriage.width === edge} onclick={() => (carriage.width = edge)}>{edge}</PlaceButton
		>
	{/each}
	<Button look="quiet" aria-pressed={isPair} onclick={() => (viewing.beside = isPair ? null : 'narrower')}
		>{isPair ? 'Chorus again' : 'One px narrower beside it'}</Button
	>
</p>

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.5rem;
		align-items: center;
		min-height: 1.625rem;
	}

	kbd {
		font: 0.8125rem/1.4 var(--mono);
	}
</style>
