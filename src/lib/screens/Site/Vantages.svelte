<script lang="ts">
	import type { Result } from '$lib/core/text/index.ts';
	import type { VantageRecord, VantageRequest } from '$lib/api.ts';
	import { freeName, PLAIN, readVantages, writeVantages, type Vantage } from '$lib/core/vantage/index.ts';
	import type { Vantages } from '$lib/session/vantages.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import NotKept from '$lib/ui/NotKept.svelte';
	import VantageForm from './VantageForm.svelte';
	import VantagesTable from './VantagesTable.svelte';

	interface Props {
		vantages: Vantages;
		/** The name of the site, for the name of the exported file. */
		site: string;
	}

	let { vantages, site }: Props = $props();

	/** The vantage in the form: one of the list, or a new one. */
	let open = $state.raw<VantageRequest | null>(null);
	let unread = $state<string | null>(null);
	let input: HTMLInputElement;

	const list = $derived(vantages.list);
	const names = $derived(list.map(({ fields }) => fields.name));
	const href = $derived(
		`data:application/json;charset=utf-8,${encodeURIComponent(writeVantages(list.map(({ fields }) => fields)))}`
	);

	async function keep(fields: Vantage): Promise<void> {
		const request = open;
		if (!request) return;
		const { id } = request;
		const { ok } = await vantages.keep(
			(now) =>
				id === undefined
					? [...now, { ...request, fields }]
					: now.map((one) => (one.id === id ? { ...one, fields } : one)),
			`${fields.name} ${id === undefined ? 'added' : 'changed'}`
		);
		if (ok) open = null;
	}

	async function move(record: VantageRecord, by: number): Promise<void> {
		await vantages.keep((now) => {
			const at = now.findIndex(({ id }) => id === record.id);
			const next = now.filter((one) => one.id !== record.id);
			next.splice(at + by, 0, record);
			return next;
		}, `${record.fields.name} moved`);
	}

	const showBeside = (record: VantageRecord, chorus: boolean): Promise<Result> =>
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

	const remove = (record: VantageRecord): Promise<Result> =>
		vantages.keep((now) => now.filter((one) => one.id !== record.id), `${record.fields.name} deleted`);

	/** Adds the vantages of a file; those with names already in use are renamed. */
	async function take(file: File | undefined): Promise<void> {
		if (!file) return;
		const read = readVantages(await file.text());
		input.value = '';
		unread = read.ok ? null : `${file.name}: ${read.sentence}`;
		if (!read.ok) return;
		await vantages.keep((now) => {
			const names = now.map(({ fields }) => fields.name);
			const more = read.value.map((fields): VantageRequest => {
				const name = freeName(fields.name, names);
				names.push(name);
				return { chorus: false, fields: { ...fields, name } };
			});
			return [...now, ...more];
		}, `${read.value.length} imported from ${file.name}`);
	}
</script>

<section id="vantages" aria-labelledby="vantages-title">
	<h2 id="vantages-title">Vantages</h2>
	<p>
		Viewing conditions that the frames of the Bench have. Digits 1 to 9 make the lead one of them, in this
		order.
	</p>
	<VantagesTable
		{list}
		onmove={move}
		onchorus={showBeside}
		onopen={(record) => (open = record)}
		oncopy={copy}
		onremove={remove}
	/>
	<p class="foot">
		<Button onclick={add}>Add a vantage</Button>
		<Button look="quiet" onclick={() => input.click()}>Import vantages…</Button>
		<a {href} download="{site} vantages.json">Export vantages</a>
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
				<Button look="quiet" onclick={() => vantages.undo()}>Undo</Button>
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
