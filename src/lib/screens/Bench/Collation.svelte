<script lang="ts">
	import { tick } from 'svelte';
	import { differs, GROUPS, type Cell, type Row } from '$lib/core/collation/index.ts';
	import { figure as px } from '$lib/core/box/index.ts';
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import { printInterval } from '$lib/core/interval/index.ts';
	import type { Collating, ShownColumn } from '$lib/state/collating.svelte.ts';
	import type { Hand } from '$lib/state/hand.svelte.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import type { FilePlace } from '$lib/state/texts.svelte.ts';
	import type { Hits } from './answers.ts';
	import CollationCell from './CollationCell.svelte';
	import Into from './Into.svelte';

	interface Props {
		page: PageState;
		/** What is selected: the first is collated. */
		paths: readonly ElementPath[];
		collating: Collating;
		hand: Hand;
		given: ReadonlySet<string>;
		reach: (selectors: readonly string[]) => Promise<Hits>;
		onplace: (place: FilePlace) => void;
		/** How much room a column needs at least, and the names of rows, rem. */
		least: number;
		names: number;
		/** Whether it lies at the whole width, its parts in the places of the grid around it. */
		wide?: boolean;
	}

	let { page, paths, collating, hand, given, reach, onplace, least, names, wide = false }: Props = $props();

	const path = $derived(paths[0] ?? []);
	const element = $derived(elementAt(page.page, path));

	let room = $state(0);
	$effect(() => {
		const rem = parseFloat(getComputedStyle(document.documentElement).fontSize);
		if (room > 0) collating.fits = Math.max(1, Math.floor((room / rem - names) / least));
	});
	const { first, fits, here, shown } = $derived(collating);

	const groups = $derived(
		GROUPS.map((name) => ({ name, rows: collating.rows.filter(({ group }) => group === name) })).filter(
			({ rows }) => rows.length > 0
		)
	);

	let word = $state('');
	/** Gives a property a row that nobody declares yet. */
	async function ask(event: Event): Promise<void> {
		event.preventDefault();
		const name = word.trim();
		if (name === '' || collating.also.includes(name)) return;
		collating.also = [...collating.also, name];
		word = '';
		await tick();
	}

	const needless = $derived(
		collating.rows.flatMap(({ cells }) => cells.filter(({ needless: one }) => one !== undefined))
	);

	let table = $state<HTMLTableElement>();

	/** Goes from cell to cell with arrow keys. */
	function walk(event: KeyboardEvent): void {
		const cells = [...(table?.querySelectorAll<HTMLElement>('td button.value') ?? [])];
		const at = cells.indexOf(document.activeElement as HTMLElement);
		const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -shown.length, ArrowDown: shown.length }[event.key];
		if (at < 0 || by === undefined) return;
		event.preventDefault();
		cells[at + by]?.focus();
	}

	/** The column left of one that is shown, where its cell says something else. */
	const isOther = (row: Row, cell: Cell, i: number): boolean => first + i > 0 && !cell.same && differs(row);

	/** Puts the focus back on a cell once what was in the hand is let go. */
	async function back(row: Row, column: ShownColumn): Promise<void> {
		await tick();
		const name = `${row.name}, ${column.letter}`;
		table?.querySelector<HTMLElement>(`button.value[data-cell="${CSS.escape(name)}"]`)?.focus();
	}

	/** How the children stand: their names in visual order. */
	function reads(order: readonly number[]): string {
		return order
			.map((index) => element?.children[index])
			.flatMap((child) => (child ? [nameOfElement(child).replace(/^.*?[.#]/, '')] : []))
			.join(', ');
	}
	const laid = $derived(shown.map((column) => collating.laid.get(column.width)));
	const isSame = (i: number, of: (n: number) => string): boolean => i > 0 && of(i) === of(i - 1);
	const layoutRows = $derived.by(() => {
		const rows: { name: string; of: (i: number) => string }[] = [
			{ name: 'shown', of: (i) => (laid[i] ? (laid[i].shown ? 'yes' : 'no') : '') },
			{ name: 'box, px', of: (i) => (laid[i] ? `${px(laid[i].width)} × ${px(laid[i].height)}` : '') }
		];
		const many = laid.some((one) => one && one.order.length > 1);
		return many
			? [{ name: 'reads', of: (i: number) => (laid[i] ? reads(laid[i].order) : '') }, ...rows]
			: rows;
	});
</script>

{#if element}
	<div class="collation" class:wide style:--names="{names}rem">
		<div class="top">
			{#if hand.held}
				<Into {collating} {hand} held={hand.held} {reach} {page} {onplace} />
			{:else}
				<div class="head">
					<p>
						<b>{nameOfElement(element)}</b>
						{#if paths.length > 1}<span>and {paths.length - 1} more: ≠ where they differ</span>{/if}
					</p>
					<form onsubmit={ask}>
						<input
							bind:value={word}
							placeholder="a property"
							aria-label="Property to have a row"
							spellcheck="false"
							autocomplete="off"
						/>
					</form>
					<label><input type="checkbox" bind:checked={collating.parted} /> every band</label>
					<label><input type="checkbox" bind:checked={collating.computing} /> computed</label>
					{#if needless.length > 0}
						<button type="button" class="act" onclick={() => hand.takeOut(needless)}
							>Take out {needless.length} that {needless.length === 1 ? 'says' : 'say'} what is so anyway</button
						>
					{/if}
					{#if first > 0 || first + fits < collating.columns.length}
						<span class="more">
							<button
								type="button"
								class="act"
								aria-label="Narrower bands"
								disabled={first === 0}
								onclick={() => (collating.wished = first - 1)}>‹</button
							>
							<button
								type="button"
								class="act"
								aria-label="Wider bands"
								disabled={first + fits >= collating.columns.length}
								onclick={() => (collating.wished = first + 1)}>›</button
							>
						</span>
					{/if}
				</div>
				{#if hand.refusal}<p class="refusal" role="alert">{hand.refusal.sentence}</p>{/if}
			{/if}
		</div>
		<div class="scroll" bind:clientWidth={room}>
			<table bind:this={table}>
				<thead>
					<tr>
						<th scope="col"><span class="sr">property</span></th>
						{#each shown as { letter, interval, width } (letter)}
							<th scope="col" class:here={collating.columns[here]?.letter === letter}
								><b>{letter}</b> <span>{printInterval(interval)}</span>
								{#if wide}<span class="at" title="The width of the frame over it">{width}</span>{/if}</th
							>
						{/each}
					</tr>
				</thead>
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
												{collating}
												{hand}
												{given}
												{onplace}
												other={isOther(row, cell, i)}
												flat={cell.same && i > 0}
												onwalk={walk}
												ondone={() => void back(row, column)}
											/>
										{/if}
									</td>
								{/each}
							</tr>
						{/each}
					</tbody>
				{/each}
				<tbody>
					<tr class="group"><th scope="rowgroup" colspan={shown.length + 1}>From layout</th></tr>
					{#each layoutRows as { name, of } (name)}
						<tr>
							<th scope="row">{name}</th>
							{#each shown as column, i (column.letter)}
								<td class:here={collating.columns[here] === column} class="laid">
									{#if isSame(i, of)}<hr />{:else}{of(i)}{/if}
								</td>
							{/each}
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	</div>
{:else}
	<p>The page has no such element any more.</p>
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

	.at {
		float: right;
		padding-right: 0.5rem;
	}

	.scroll {
		flex: 1;
		min-height: 3.5rem;
		overflow: hidden auto;
	}

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

	form input {
		width: 8rem;
		min-height: 1.625rem;
		padding: 0 0.375rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 0.8125rem/1.2 var(--mono);
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

	table {
		width: 100%;
		border-collapse: collapse;
		table-layout: fixed;
		font-size: 0.8125rem;
	}

	th {
		overflow: hidden;
		color: var(--ink-2);
		font-weight: 400;
		text-align: left;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	th:first-child {
		width: var(--names);
		padding-right: 0.5rem;
	}

	thead th {
		position: sticky;
		top: 0;
		z-index: 1;
		height: 1.625rem;
		padding-left: 0.625rem;
		background: var(--sheet);
	}

	thead b {
		font: 600 0.9375rem/1 var(--display);
		color: var(--ink);
	}

	thead span {
		font-family: var(--mono);
	}

	.here {
		background: var(--tint);
	}

	.group th {
		padding-top: 0.375rem;
		border-bottom: 1px solid var(--ink);
		color: var(--ink);
		font: 600 0.875rem/1.3 var(--display);
	}

	tr:not(.group) > :is(td, th[scope='row']) {
		height: 1.625rem;
		border-bottom: 1px solid var(--hair);
	}

	td {
		padding: 0;
	}

	.laid {
		padding-left: 0.625rem;
		overflow: hidden;
		font-family: var(--mono);
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	hr {
		margin: 0 0.375rem 0 0;
		border: 0;
		border-top: 1px solid var(--pale);
	}

	small {
		font-size: inherit;
		color: var(--pale);
	}

	.sr {
		position: absolute;
		width: 1px;
		height: 1px;
		overflow: hidden;
		clip-path: inset(50%);
	}
</style>
