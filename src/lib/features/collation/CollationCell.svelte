<script lang="ts">
	import type { Cell, Row } from '$lib/core/collation/index.ts';
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import type { ShownColumn } from './collating.svelte.ts';
	import type { Table } from './hand.svelte.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import CollationField from './CollationField.svelte';
	import { lineOf, placeName } from '$lib/features/frames/placeName.ts';

	interface Props {
		page: PageState;
		path: ElementPath;
		row: Row;
		cell: Cell;
		column: ShownColumn;
		table: Table;
		given: ReadonlySet<string>;
		/** Whether its value differs from the column to the left, or just continues it. */
		manner: 'flat' | 'other' | 'plain';
		acts: {
			readonly onplace: (place: FilePlace) => void;
			/** Removes its declaration. */
			readonly onremove: () => void;
			/** Handles a key that may move to another cell. */
			readonly onwalk: (event: KeyboardEvent) => void;
			/** Called when an edit was discarded. */
			readonly ondone: () => void;
		};
	}

	let { page, path, row, cell, column, table, given, manner, acts }: Props = $props();
	const { collating, hand } = $derived(table);
	const flat = $derived(manner === 'flat');

	const held = $derived(hand.held?.row === row && hand.held.column.from === column.from ? hand.held : null);
	const idle = $derived(cell.outcome.kind === 'own' ? collating.noEffect(row, column) : undefined);
	const computed = $derived(collating.computing ? collating.computed(row, column) : '');
	/** The other selected elements whose values differ. */
	const others = $derived(collating.otherwise(row, column));
	const from = $derived(cell.from);
	const isGiven = $derived(from !== undefined && given.has(from.file));
	/** The owner of the value, where that is not the element itself. */
	const around = $derived.by(() => {
		const { outcome } = cell;
		if (outcome.kind !== 'inherited') return '';
		const one = elementAt(page.page, path.slice(0, path.length - outcome.up));
		return one ? nameOfElement(one) : '';
	});
	const words = $derived(from ? cell.text : cell.outcome.kind === 'initial' ? cell.text : 'not set');
	const place = $derived(
		from ? (from.hit ? `:${lineOf(page, from)}` : from.attribute ? from.attribute : 'style') : ''
	);
	const title = $derived(
		[
			`${row.name}: ${words}`,
			from ? placeName(page, from) : 'no sheet sets it',
			around === '' ? '' : `inherited from ${around}`,
			isGiven ? 'given' : '',
			idle ? `does nothing: ${idle.reason} ${idle.instead}` : '',
			others.length > 0
				? `the other selected elements: ${others.map((one) => one || 'not set').join(', ')}`
				: '',
			cell.redundant ? `redundant: ${placeName(page, cell.redundant)} says the same` : ''
		]
			.filter(Boolean)
			.join('\n')
	);

	/** What follows a value: its owner, or its place. */
	const after = $derived(around === '' ? place : `↑ ${around.replace(/^.*?(?=[.#])/, '')}`);
	/** The cell's accessible name: its content, and what signs in it mean. */
	const spoken = $derived(
		flat && !idle && others.length === 0
			? `${words}, as to the left`
			: [
					words,
					after,
					others.length > 0 ? `≠ ${others.length}` : '',
					cell.redundant ? 'redundant' : '',
					idle ? 'does nothing' : ''
				]
					.filter(Boolean)
					.join(' ')
	);

	function key(event: KeyboardEvent): void {
		if (event.key !== 'Delete' && event.key !== 'Backspace') return acts.onwalk(event);
		event.preventDefault();
		if (cell.outcome.kind === 'own' || cell.outcome.kind === 'initial') acts.onremove();
	}
</script>

{#if held}
	<CollationField {row} {column} {hand} {held} ondone={acts.ondone} />
{:else}
	<button
		type="button"
		class="value"
		class:other={manner === 'other'}
		class:flat
		class:unsaid={!from}
		class:given={isGiven}
		data-cell="{row.name}, {column.letter}"
		aria-label="{row.name}, {column.letter}: {spoken}"
		{title}
		onclick={(event) =>
			event.ctrlKey && from
				? acts.onplace({ path: from.file, offset: from.span.start })
				: hand.begin(row, column)}
		onkeydown={key}
	>
		{#if flat && !idle && others.length === 0}<hr />{:else}
			{#if manner === 'other'}<span class="sign" aria-hidden="true">≠</span>{/if}
			<span class="text">{words}</span>
			{#if after !== ''}<span class="from">{after}</span>{/if}
			{#if idle}<span class="dele" aria-hidden="true">₰</span>{/if}
			{#if others.length > 0}<span class="sign">≠ {others.length}</span>{/if}
			{#if cell.redundant}<span class="sign">redundant</span>{/if}
		{/if}
	</button>
	{#if computed !== '' && computed !== words}<p class="computed" title={computed}>{computed}</p>{/if}
{/if}

<style>
	.value {
		display: flex;
		gap: 0.375rem;
		align-items: baseline;
		width: 100%;
		height: 1.625rem;
		padding: 0 0.25rem 0 0.625rem;
		overflow: hidden;
		border: 0;
		background: none;
		font: 0.8125rem/1.625rem var(--mono);
		text-align: left;
		white-space: nowrap;
		cursor: text;
	}

	.value:hover {
		background: var(--pick);
	}

	.value:focus-visible {
		outline-offset: -2px;
	}

	.text {
		overflow: hidden;
		text-overflow: ellipsis;
	}

	.other .text {
		font-weight: 700;
	}

	.sign {
		margin-left: -0.5rem;
		margin-right: -0.125rem;
		font-weight: 700;
	}

	.unsaid .text {
		color: var(--pale);
		font-style: italic;
		padding-right: 2px;
	}

	.given .text {
		color: var(--ink-2);
	}

	.from {
		flex: none;
		color: var(--ink-2);
	}

	.sign {
		flex: none;
		color: var(--ochre);
	}

	.dele {
		flex: none;
		color: var(--rubric);
		font-weight: 700;
	}

	.computed {
		padding: 0 0.25rem 2px 0.625rem;
		overflow: hidden;
		color: var(--ink-2);
		font: 0.8125rem/1.2 var(--mono);
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	hr {
		align-self: center;
		width: 100%;
		margin: 0;
		border: 0;
		border-top: 1px solid var(--pale);
	}
</style>
