<script lang="ts">
	import { chain, counted, done } from '$lib/core/text/index.ts';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import type { Collating, ShownColumn } from './collating.svelte.ts';
	import { copyColumn, giveLook } from './copying.ts';
	import { withoutCells } from './extent.ts';
	import type { Hand } from './hand.svelte.ts';
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Menu from '$lib/ui/Menu.svelte';
	import TextInput from '$lib/ui/TextInput.svelte';

	interface Props {
		site: SiteState;
		/** The selection: its first element is collated. */
		paths: readonly ElementPath[];
		collating: Collating;
		hand: Hand;
		proposal: Proposal;
		/** The name of the first element. */
		name: string;
		/** Moves the focus to the row of a property, once it is there. */
		onrow: (property: string) => void;
	}

	let { site, paths, collating, hand, proposal, name, onrow }: Props = $props();

	const { first, fits, here, columns } = $derived(collating);

	let word = $state('');
	/** Goes to a property's row, which is added where nobody declares the property yet. */
	function ask(event: Event): void {
		event.preventDefault();
		const property = word.trim();
		if (property === '') return;
		if (!collating.rows.some((row) => row.name === property) && !collating.also.includes(property))
			collating.also = [...collating.also, property];
		word = '';
		onrow(property);
	}

	const redundant = $derived(
		collating.rows.flatMap(({ cells }) => cells.filter(({ redundant: one }) => one !== undefined))
	);

	/** The column into which others are copied: the carriage's, until another is chosen. */
	let chosen = $state<string | null>(null);
	const into = $derived(columns.find(({ letter }) => letter === chosen) ?? columns[here]);
	/** Proposes to remove redundant declarations. */
	function tidy(): void {
		hand.drop();
		proposal.propose((desk) =>
			chain(withoutCells(desk, redundant), () =>
				done({
					summary: `Removes ${counted(redundant.length, 'redundant declaration')}.`,
					notes: []
				})
			)
		);
	}
	/** Proposes to copy a column into another. */
	function copy(from: ShownColumn, to: ShownColumn): void {
		const { looked } = collating;
		hand.drop();
		if (looked) proposal.propose((desk) => copyColumn(desk, looked, collating, from, to));
	}
</script>

<div class="head">
	<p>
		<b>{name}</b>
		{#if paths.length > 1}<span>and {paths.length - 1} more: ≠ where they differ</span>{/if}
	</p>
	<form onsubmit={ask}>
		<TextInput bind:value={word} placeholder="a property" aria-label="Property to have a row" />
	</form>
	<label><input type="checkbox" bind:checked={collating.parted} /> every band</label>
	<label><input type="checkbox" bind:checked={collating.computing} /> computed</label>
	{#if columns.length > 1 && paths.length === 1 && into}
		<Menu label="Copy into {into.letter}">
			<label class="into">
				into
				<select bind:value={() => into.letter, (letter) => (chosen = letter)}>
					{#each columns as { letter } (letter)}<option>{letter}</option>{/each}
				</select>
			</label>
			{#each columns as column (column.letter)}
				{#if column !== into}
					<button type="button" class="act" onclick={() => copy(column, into)}
						>what {column.letter} says</button
					>
				{/if}
			{/each}
		</Menu>
	{/if}
	{#if paths.length === 2}
		<button type="button" class="act" onclick={() => void giveLook(site, collating, hand, proposal)}
			>Copy the look of the first to the second</button
		>
	{/if}
	{#if redundant.length > 0}
		<button type="button" class="act" onclick={tidy}
			>Remove {counted(redundant.length, 'redundant declaration')}</button
		>
	{/if}
	{#if first > 0 || first + fits < collating.columns.length}
		<span class="more">
			<button
				type="button"
				class="act"
				aria-label="Narrower bands"
				disabled={first === 0}
				onclick={() => (collating.requested = first - 1)}>‹</button
			>
			<button
				type="button"
				class="act"
				aria-label="Wider bands"
				disabled={first + fits >= collating.columns.length}
				onclick={() => (collating.requested = first + 1)}>›</button
			>
		</span>
	{/if}
</div>
{#if hand.refusal}<p class="refusal" role="alert">{hand.refusal.sentence}</p>{/if}
{#if proposal.refusal}<p class="refusal" role="alert">{proposal.refusal.sentence}</p>{/if}

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.875rem;
		align-items: center;
		min-height: 1.75rem;
		font-size: 0.8125rem;
	}

	b {
		font: 600 0.8125rem/1.4 var(--mono);
	}

	label {
		display: flex;
		gap: 0.375rem;
		align-items: center;
		min-height: 1.5rem;
		color: var(--ink-2);
	}

	.into {
		padding: 0 0.5rem;
	}

	.act {
		min-width: 1.5rem;
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--blue);
		cursor: pointer;
	}

	.act:not(:disabled):hover {
		text-decoration: underline;
	}

	.act:disabled {
		color: var(--pale);
	}

	.more {
		display: flex;
		margin-left: auto;
	}

	.head span {
		color: var(--ink-2);
	}

	.refusal {
		color: var(--rubric);
	}
</style>
