<script lang="ts">
	import { tick } from 'svelte';
	import type { VantageRecord, VantageWish } from '$lib/api.ts';
	import {
		freeName,
		PLAIN,
		readVantages,
		vantageInWords,
		writeVantages,
		type Vantage
	} from '$lib/core/vantage/index.ts';
	import type { Vantages } from '$lib/session/vantages.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import NotKept from '$lib/ui/NotKept.svelte';
	import VantageForm from './VantageForm.svelte';

	interface Props {
		vantages: Vantages;
		/** The name of the site, for the name of the exported file. */
		site: string;
	}

	let { vantages, site }: Props = $props();

	/** What is in the form: a vantage of the list, or one that is to be added. */
	let open = $state.raw<VantageWish | null>(null);
	let unread = $state<string | null>(null);
	let input: HTMLInputElement;
	let table: HTMLTableElement;

	const list = $derived(vantages.list);
	const names = $derived(list.map(({ fields }) => fields.name));
	const href = $derived(
		`data:application/json;charset=utf-8,${encodeURIComponent(writeVantages(list.map(({ fields }) => fields)))}`
	);

	async function keep(fields: Vantage): Promise<void> {
		const wish = open;
		if (!wish) return;
		const { id } = wish;
		const kept = await vantages.keep(
			(now) =>
				id === undefined
					? [...now, { ...wish, fields }]
					: now.map((one) => (one.id === id ? { ...one, fields } : one)),
			`${fields.name} ${id === undefined ? 'added' : 'changed'}`
		);
		if (kept) open = null;
	}

	async function move(record: VantageRecord, by: number): Promise<void> {
		await vantages.keep((now) => {
			const at = now.findIndex(({ id }) => id === record.id);
			const next = now.filter((one) => one.id !== record.id);
			next.splice(at + by, 0, record);
			return next;
		}, `${record.fields.name} moved`);
		await tick();
		const row = table.tBodies[0]?.rows[vantages.list.findIndex(({ id }) => id === record.id)];
		row?.querySelector<HTMLElement>(by < 0 ? '.up:enabled, .down' : '.down:enabled, .up')?.focus();
	}

	const showBeside = (record: VantageRecord, chorus: boolean): Promise<boolean> =>
		vantages.keep(
			(now) => now.map((one) => (one.id === record.id ? { ...one, chorus } : one)),
			`${record.fields.name} ${chorus ? 'shown' : 'not shown'}`
		);

	const copy = ({ fields }: VantageRecord): void => {
		open = { chorus: false, fields: { ...fields, name: freeName(`${fields.name} copy`, names) } };
	};

	const add = (): void => {
		open = { chorus: false, fields: { ...PLAIN, name: freeName('New vantage', names) } };
	};

	const remove = (record: VantageRecord): Promise<boolean> =>
		vantages.keep((now) => now.filter((one) => one.id !== record.id), `${record.fields.name} deleted`);

	/** Adds the vantages of a file; those whose names are taken get others. */
	async function take(file: File | undefined): Promise<void> {
		if (!file) return;
		const read = readVantages(await file.text());
		input.value = '';
		unread = read.kind === 'problem' ? `${file.name}: ${read.sentence}` : null;
		if (read.kind === 'problem') return;
		await vantages.keep((now) => {
			const names = now.map(({ fields }) => fields.name);
			const more = read.vantages.map((fields): VantageWish => {
				const name = freeName(fields.name, names);
				names.push(name);
				return { chorus: false, fields: { ...fields, name } };
			});
			return [...now, ...more];
		}, `${read.vantages.length} taken in from ${file.name}`);
	}
</script>

<section id="vantages" aria-labelledby="vantages-title">
	<h2 id="vantages-title">Vantages</h2>
	<p>
		Viewing conditions that the frames of the Bench have. Digits 1 to 9 make the lead one of them, in this
		order.
	</p>
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
			<tbody>
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
								onchange={(event) => showBeside(record, event.currentTarget.checked)}
							/>
						</td>
						<td class="do">
							<Button look="quiet" onclick={() => (open = record)} aria-label="Change {fields.name}">
								Change
							</Button>
							<Button look="quiet" onclick={() => copy(record)} aria-label="Copy {fields.name}">Copy</Button>
							<Button look="quiet" onclick={() => remove(record)} aria-label="Delete {fields.name}">
								Delete
							</Button>
						</td>
					</tr>
				{:else}
					<tr><td colspan="7">None yet: the Bench shows the lead alone. Add one, or take in a file.</td></tr>
				{/each}
			</tbody>
		</table>
	</div>
	<p class="foot">
		<Button onclick={add}>Add a vantage</Button>
		<Button look="quiet" onclick={() => input.click()}>Take in from a file…</Button>
		<a {href} download="{site} vantages.json">Take out as a file</a>
		<input
			bind:this={input}
			class="file"
			type="file"
			accept=".json,application/json"
			tabindex="-1"
			aria-label="File of vantages"
			onchange={(event) => take(event.currentTarget.files?.[0])}
		/>
		<span role="status">
			{#if vantages.before}
				{vantages.before.change}.
				<Button look="quiet" onclick={() => vantages.undo()}>Take that back</Button>
			{/if}
		</span>
	</p>
	{#if unread}<p class="warn" role="alert">{unread}</p>{/if}
	<NotKept list={vantages} />
</section>

{#if open}
	{@const { id, fields } = open}
	<VantageForm
		vantage={fields}
		taken={list.filter((one) => one.id !== id).map((one) => one.fields.name)}
		onkeep={keep}
		onclose={() => (open = null)}
	/>
{/if}

<style>
	section {
		display: grid;
		gap: 0.5rem;
		padding: 0 1.5rem 3rem;
	}

	h2 {
		font-size: 1.125rem;
	}

	p {
		color: var(--ink-2);
	}

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

	.foot {
		display: flex;
		gap: 1rem;
		align-items: center;
	}

	.file {
		display: none;
	}

	a {
		color: var(--blue);
		text-underline-offset: 3px;
	}

	.warn {
		color: var(--rubric);
	}
</style>
