<script lang="ts">
	import type { Rung } from '$lib/core/selector/index.ts';
	import { neighbour, type ReachRow } from '$lib/features/reach/reachRows.ts';

	interface Props {
		/** The selector of the rule at the caret, its rung, and the name of that. */
		selector: string;
		rung: Rung;
		called: string;
		rows: readonly ReachRow[];
		/** Replaces it by the selector of another row. */
		onwrite: (row: ReachRow) => void;
	}

	let { selector, rung, called, rows, onwrite }: Props = $props();

	const ways = $derived([
		['Wider', neighbour(rows, rung, -1)],
		['Narrower', neighbour(rows, rung, 1)]
	] as const);
</script>

<p class="move">
	<span>The rule at the caret, <code>{selector}</code>: {called}.</span>
	{#each ways as [name, to] (name)}
		<button
			type="button"
			disabled={!to}
			title={to ? `Write ${to.selector}` : ''}
			onclick={() => to && onwrite(to)}
			>{name}{#if to}<code>{to.selector}</code>{/if}</button
		>
	{/each}
</p>

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 0.875rem;
		align-items: baseline;
		margin-top: 0.375rem;
		padding: 0.25rem 0;
		border-block: 1px solid var(--hair);
	}

	span {
		color: var(--ink-2);
	}

	code {
		font: 0.8125rem/1.4 var(--mono);
	}

	button {
		display: flex;
		gap: 0.375rem;
		align-items: baseline;
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--blue);
		cursor: pointer;
	}

	button:disabled {
		color: var(--pale);
		cursor: default;
	}

	button:not(:disabled):hover {
		text-decoration: underline;
	}
</style>
