<script lang="ts">
	import { tick } from 'svelte';
	import type { VantageRecord } from '$lib/api.ts';
	import { vantageInWords } from '$lib/core/vantage/index.ts';
	import Button from '$lib/ui/Button.svelte';
	import { roving } from '$lib/ui/roving.ts';

	interface Props {
		list: readonly VantageRecord[];
		/** Moves a vantage up or down by so many places. */
		onmove: (record: VantageRecord, by: number) => Promise<unknown>;
		/** Shows a vantage beside the lead, or not. */
		onchorus: (record: VantageRecord, chorus: boolean) => void;
		onopen: (record: VantageRecord) => void;
		oncopy: (record: VantageRecord) => void;
		onremove: (record: VantageRecord) => void;
	}

	let { list, onmove, onchorus, onopen, oncopy, onremove }: Props = $props();

	let table: HTMLTableElement;

	/** Moves a vantage; the focus moves with it. */
	async function move(record: VantageRecord, by: number): Promise<void> {
		await onmove(record, by);
		await tick();
		const row = table.tBodies[0]?.rows[list.findIndex(({ id }) => id === record.id)];
		row?.querySelector<HTMLElement>(by < 0 ? '.up:enabled, .down' : '.down:enabled, .up')?.focus();
	}
</script>

<div class="wide">
	<table bind:this={table}>
		<thead>
			<tr>
				<th scope="col">Order</th>
				<th scope="col">Name</th>
				<th scope="col">Width × height</th>
				<th scope="col">Density</th>
				<th scope="col">What else</th>
				<th scope="col">Beside the lead</th>
				<th scope="col">Do</th>
			</tr>
		</thead>
		<tbody {@attach roving('button:enabled, input', 'row')}>
			{#each list as record, i (record.id)}
				{@const { fields, chorus } = record}
				<tr>
					<td class="order">
						<button
							type="button"
							class="up"
							disabled={i === 0}
							aria-label="{fields.name} up"
							onclick={() => move(record, -1)}>↑</button
						>
						<button
							type="button"
							class="down"
							disabled={i === list.length - 1}
							aria-label="{fields.name} down"
							onclick={() => move(record, 1)}>↓</button
						>
					</td>
					<th scope="row">{fields.name}</th>
					<td class="figures">{fields.width} × {fields.height}</td>
					<td class="figures">{fields.density}×</td>
					<td>{vantageInWords(fields).join(' · ') || 'plain window, mouse'}</td>
					<td>
						<input
							type="checkbox"
							checked={chorus}
							aria-label="{fields.name} beside the lead"
							onchange={(event) => onchorus(record, event.currentTarget.checked)}
						/>
					</td>
					<td class="do">
						<Button look="quiet" onclick={() => onopen(record)} aria-label="Change {fields.name}">
							Change
						</Button>
						<Button look="quiet" onclick={() => oncopy(record)} aria-label="Copy {fields.name}">Copy</Button>
						<Button look="quiet" onclick={() => onremove(record)} aria-label="Delete {fields.name}">
							Delete
						</Button>
					</td>
				</tr>
			{:else}
				<tr><td colspan="7">None yet: the Bench shows the lead alone. Add one, or import a file.</td></tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	.wide {
		overflow-x: auto;
	}

	table {
		width: 100%;
		border-collapse: collapse;
	}

	th,
	td {
		padding: 3px 0.875rem 3px 0;
		border-bottom: 1px solid var(--hair);
		text-align: left;
	}

	thead th {
		border-bottom-color: var(--ink);
		color: var(--ink-2);
		font-weight: 400;
		white-space: nowrap;
	}

	tbody th {
		font-weight: 700;
		overflow-wrap: anywhere;
	}

	.figures {
		font: 0.8125rem/1.4 var(--mono);
		white-space: nowrap;
	}

	thead th:last-child {
		padding-left: 0.375rem;
	}

	.order,
	.do {
		white-space: nowrap;
	}

	.order button {
		min-width: 1.625rem;
		min-height: 1.625rem;
		border: 0;
		background: none;
		cursor: pointer;
	}

	.order button:disabled {
		color: var(--hair);
		cursor: default;
	}
</style>
