<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		unit?: string;
		/** What is wrong with the value, if anything. */
		problem?: string | undefined;
		/** The input or select; gets its id, and the id of its description. */
		control: Snippet<[id: string, described: string | undefined]>;
	}

	let { label, unit = '', problem, control }: Props = $props();

	const id = $props.id();
</script>

<div>
	<label for={id}>{label}{unit ? `, ${unit}` : ''}</label>
	{@render control(id, problem ? `${id}-problem` : undefined)}
	{#if problem}<p id="{id}-problem">‸ {problem}</p>{/if}
</div>

<style>
	div {
		display: grid;
		gap: 2px;
		align-content: start;
	}

	label {
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	div :global(:is(input, select)) {
		width: 100%;
		min-height: 1.875rem;
		padding: 0 0.375rem;
		border: 1px solid var(--hair);
		border-bottom-color: var(--ink);
		border-radius: 0;
		background: var(--sheet);
		color: var(--ink);
		font: 0.8125rem/1.2 var(--mono);
	}

	div :global([aria-invalid='true']) {
		border-color: var(--rubric);
	}

	p {
		color: var(--rubric);
		font-size: 0.8125rem;
	}
</style>
