<script lang="ts">
	import { tick, untrack } from 'svelte';
	import { differs, GROUPS, type Cell, type Row } from '$lib/core/collation/index.ts';
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import type { Collating, ShownColumn } from './collating.svelte.ts';
	import { withoutCells } from './extent.ts';
	import type { Hand } from './hand.svelte.ts';
	import { relyingOn } from '$lib/inquiry/relying.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import { chain, done, type FilePlace } from '$lib/core/text/index.ts';
	import CollationCell from './CollationCell.svelte';
	import CollationColumns from './CollationColumns.svelte';
	import CollationLaid from './CollationLaid.svelte';
	import CollationHead from './CollationHead.svelte';
	import { roving } from '$lib/ui/roving.ts';
	import Into from './Into.svelte';
	import { focusCell, walkGrid } from './walkGrid.ts';

	interface Props {
		site: SiteState;
		page: PageState;
		/** The selection: its first element is collated. */
		paths: readonly ElementPath[];
		collating: Collating;
		hand: Hand;
		proposal: Proposal;
		onplace: (place: FilePlace) => void;
		/** The minimum width of a column, and of the names of rows, rem. */
		rooms: { readonly column: number; readonly names: number };
		/** Whether it takes the whole width, with its parts in the places of the grid around it. */
		wide?: boolean;
	}

	let { site, page, paths, collating, hand, proposal, onplace, rooms, wide = false }: Props = $props();

	$effect(() => void (collating.settled && untrack(() => hand.choosing.look())));

	const path = $derived(paths[0] ?? []);
	const element = $derived(elementAt(page.page, path));

	let room = $state(0);
	$effect(() => {
		const rem = parseFloat(getComputedStyle(document.documentElement).fontSize);
		if (room > 0) collating.fits = Math.max(1, Math.floor((room / rem - rooms.names) / rooms.column));
	});
	const { first, here, shown } = $derived(collating);

	const groups = $derived(
		GROUPS.map((name) => ({ name, rows: collating.rows.filter(({ group }) => group === name) })).filter(
			({ rows }) => rows.length > 0
		)
	);

	let table = $state<HTMLTableElement>();

	/** Removes a cell's declaration; where neighbours are kept apart by its space, they are named first. */
	async function remove({ name }: Row, cell: Cell): Promise<void> {
		const { looked } = collating;
		const spaces = (of: ElementPath) => looked?.stages.spaces('lead', of) ?? Promise.resolve([]);
		const relying = /margin|gap/.test(name) ? await relyingOn({ page, spaces }, path, name) : [];
		if (relying.length === 0) return hand.takeOut([cell]);
		hand.drop();
		proposal.propose((desk) =>
			chain(withoutCells(desk, [cell]), () =>
				done({ summary: `${name}: ${cell.text} goes.`, notes: relying })
			)
		);
	}

	/** The column to the left of one that is shown, where its cell differs. */
	const isOther = (row: Row, cell: Cell, i: number): boolean => first + i > 0 && !cell.same && differs(row);

	/** The property whose row is to get the focus once it is there; '' for none. */
	let sought = $state('');
	/** The property whose row has the focus, to be restored when its cells are recreated. */
	let focused = '';

	$effect(() => {
		void [collating.rows, collating.columns];
		if (hand.held) return;
		const wanted = sought;
		void tick().then(() => {
			const isLost = focused !== '' && document.activeElement === document.body;
			if (wanted === '' ? isLost && focusCell(table, focused) : focusCell(table, wanted)) sought = '';
		});
	});

	/** Returns the focus to a cell when its edit is discarded. */
	async function back(row: Row, column: ShownColumn): Promise<void> {
		await tick();
		focusCell(table, row.name, column.letter);
	}
</script>

{#if element}
	<div class="collation" class:wide style:--names="{rooms.names}rem">
		<div class="top">
			{#if hand.held}
				<Into {collating} {hand} held={hand.held} {page} {onplace} />
			{:else}
				<CollationHead
					{site}
					{paths}
					{collating}
					{hand}
					{proposal}
					name={nameOfElement(element)}
					onrow={(property) => (sought = property)}
				/>
			{/if}
		</div>
		<div class="scroll" bind:clientWidth={room}>
			<table
				bind:this={table}
				role="grid"
				aria-label="Collation of {nameOfElement(element)}"
				onfocusin={({ target }) => {
					const { cell = '' } = (target as HTMLElement).dataset;
					if (cell !== '') focused = cell.replace(/, [^,]*$/, '');
				}}
				onfocusout={({ relatedTarget }) => {
					if (relatedTarget instanceof Node && !table?.contains(relatedTarget)) focused = '';
				}}
				{@attach roving('td button.value')}
			>
				<CollationColumns {shown} here={collating.columns[here]} isWide={wide} />
				{#each groups as { name, rows } (name)}
					<tbody>
						<tr class="group"><th scope="rowgroup" colspan={shown.length + 1}>{name}</th></tr>
						{#each rows as row (row.name)}
							<tr>
								<th
									scope="row"
									title={row.without.length > 0 ? `without ${row.without.join(', ')}` : row.name}
									>{row.name}{#if row.without.length > 0}<small> but {row.without.join(', ')}</small>{/if}</th
								>
								{#each shown as column, i (column.letter)}
									{@const cell = collating.cell(row, column)}
									<td class:here={collating.columns[here] === column}>
										{#if cell}
											<CollationCell
												{page}
												{path}
												{row}
												{cell}
												{column}
												table={{ collating, hand }}
												given={site.given}
												manner={cell.same && i > 0 ? 'flat' : isOther(row, cell, i) ? 'other' : 'plain'}
												acts={{
													onplace,
													onremove: () => void remove(row, cell),
													onwalk: (event) => walkGrid(table, event),
													ondone: () => void back(row, column)
												}}
											/>
										{/if}
									</td>
								{/each}
							</tr>
						{/each}
					</tbody>
				{/each}
				<CollationLaid {collating} {element} {wide} />
			</table>
		</div>
	</div>
{:else}
	<p>This element is no longer on the page.</p>
{/if}

<style>
	.collation {
		display: flex;
		flex-direction: column;
		height: 100%;
		min-width: 0;
	}

	.wide {
		display: contents;
	}

	.wide .top {
		grid-area: top;
		padding: 0.25rem 1rem;
		background: var(--sheet);
	}

	.wide .scroll {
		grid-area: table;
		padding: 0 1rem;
		background: var(--sheet);
	}

	.scroll {
		flex: 1;
		min-height: 3.5rem;
		overflow: hidden auto;
	}

	table {
		width: 100%;
		border-collapse: collapse;
		table-layout: fixed;
		font-size: 0.8125rem;
	}

	table :global(th) {
		overflow: hidden;
		color: var(--ink-2);
		font-weight: 400;
		text-align: left;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	table :global(th:first-child) {
		width: var(--names);
		padding-right: 0.5rem;
	}

	table :global(.here) {
		background: var(--tint);
	}

	table :global(.group th) {
		padding-top: 0.375rem;
		border-bottom: 1px solid var(--ink);
		color: var(--ink);
		font: 600 0.875rem/1.3 var(--display);
	}

	table :global(tr:not(.group) > :is(td, th[scope='row'])) {
		height: 1.625rem;
		border-bottom: 1px solid var(--hair);
	}

	table :global(td) {
		padding: 0;
	}

	small {
		font-size: inherit;
		color: var(--pale);
	}
</style>
