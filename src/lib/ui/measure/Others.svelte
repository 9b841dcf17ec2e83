<script lang="ts">
	import PlaceList from './PlaceList.svelte';
	import type { Places, Stated } from './places.ts';

	interface Props extends Places {
		/** Conditions that are no thresholds of viewport width. */
		others: readonly (Stated & { readonly kind: string })[];
	}

	let { others, placeOf, onplace }: Props = $props();

	const stated = $derived(others.map((one) => ({ ...one, text: `@${one.kind} ${one.text}` })));
</script>

{#if others.length > 0}
	<details>
		<summary>{others.length} other {others.length === 1 ? 'condition' : 'conditions'}</summary>
		<div><PlaceList {stated} {placeOf} {onplace} /></div>
	</details>
{/if}

<style>
	details {
		position: absolute;
		right: 0;
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	summary {
		min-height: 1.5rem;
		text-align: right;
		cursor: pointer;
	}

	div {
		position: absolute;
		right: 0;
		z-index: 6;
		width: max-content;
		max-width: 28.75rem;
		max-height: 22.5rem;
		padding: 0.5rem 0.75rem;
		border: 1px solid var(--ink);
		background: var(--sheet);
		overflow: auto;
	}
</style>
