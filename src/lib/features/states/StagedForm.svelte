<script lang="ts">
	import { whyNot } from '$lib/core/text/index.ts';
	import { checkStaged, type StagedChange, type StagedState } from '$lib/core/staged/index.ts';
	import { nameTwice } from '$lib/core/vantage/index.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	interface Props {
		state: StagedState;
		/** The present page. */
		page: string;
		/** Names already in use. */
		taken: readonly string[];
		/** Why it was not stored; null for no known reason. */
		trouble: string | null;
		onkeep: (state: StagedState) => void;
		onclose: () => void;
	}

	let { state: first, page, taken, trouble, onkeep, onclose }: Props = $props();

	const KINDS = [
		['add-class', 'gets the class'],
		['remove-class', 'loses the class'],
		['set', 'gets the attribute'],
		['remove', 'loses the attribute']
	] as const;

	interface Row {
		kind: StagedChange['kind'];
		selector: string;
		name: string;
		value: string;
	}

	const rowOf = (change: StagedChange): Row => ({
		...change,
		value: change.kind === 'set' ? change.value : ''
	});

	// svelte-ignore state_referenced_locally (what the form begins with)
	let name = $state(first.name);
	// svelte-ignore state_referenced_locally (as above)
	let here = $state(first.page !== null);
	// svelte-ignore state_referenced_locally (as above)
	let rows = $state<Row[]>(first.changes.map(rowOf));
	const requested = $derived<StagedState>({
		name,
		page: here ? page : null,
		changes: rows.map(({ kind, selector, name, value }) =>
			kind === 'set' ? { kind, selector, name, value } : { kind, selector, name }
		)
	});
	const problem = $derived(
		nameTwice([...taken, name]) === undefined
			? whyNot(checkStaged(requested))
			: `“${name}” is the name of another.`
	);
</script>

<Dialog title="Staged state" {onclose}>
	{#snippet children(close)}
		<div class="head">
			<label>Name <input type="text" bind:value={name} maxlength="60" /></label>
			<label class="tick"><input type="checkbox" bind:checked={here} /> on {page} only</label>
		</div>
		<table>
			<thead>
				<tr
					><th scope="col">What the selector matches</th><th scope="col">does</th><th scope="col">name</th><th
						scope="col">value</th
					><td></td></tr
				>
			</thead>
			<tbody>
				{#each rows as row, i (i)}
					<tr>
						<td
							><input
								aria-label="Selector {i + 1}"
								type="text"
								class="code"
								bind:value={row.selector}
								spellcheck="false"
							/></td
						>
						<td>
							<select aria-label="Change {i + 1}" bind:value={row.kind}>
								{#each KINDS as [kind, words] (kind)}<option value={kind}>{words}</option>{/each}
							</select>
						</td>
						<td
							><input
								aria-label="Name {i + 1}"
								type="text"
								class="code"
								bind:value={row.name}
								spellcheck="false"
							/></td
						>
						<td>
							{#if row.kind === 'set'}
								<input
									aria-label="Value {i + 1}"
									type="text"
									class="code"
									bind:value={row.value}
									spellcheck="false"
								/>
							{/if}
						</td>
						<td
							><Button look="quiet" disabled={rows.length === 1} onclick={() => rows.splice(i, 1)}
								>Remove</Button
							></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
		<Button look="quiet" onclick={() => rows.push({ kind: 'add-class', selector: '', name: '', value: '' })}
			>One more change</Button
		>
		<p role="status">{problem ?? trouble ?? ''}</p>
		<Button look="primary" disabled={problem !== null} onclick={() => onkeep(requested)}>Keep</Button>
		<Button onclick={close}>Cancel</Button>
	{/snippet}
</Dialog>

<style>
	.head {
		display: flex;
		gap: 1.5rem;
		align-items: end;
		margin: 0.75rem 0;
	}

	label {
		display: grid;
		gap: 2px;
		color: var(--ink-2);
	}

	.tick {
		display: flex;
		gap: 0.5rem;
		align-items: center;
	}

	table {
		width: 100%;
		border-spacing: 8px 4px;
	}

	th {
		color: var(--ink-2);
		font-weight: 400;
		text-align: left;
	}

	input[type='text'],
	select {
		width: 100%;
		height: 1.875rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
		color: var(--ink);
		font: inherit;
	}

	select {
		background: var(--sheet);
	}

	.code {
		font: 0.8125rem/1.2 var(--mono);
	}

	p {
		min-height: 1.375rem;
		margin: 0.5rem 0;
		color: var(--rubric);
	}
</style>
