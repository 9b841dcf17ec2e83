<script lang="ts">
	import { untrack } from 'svelte';
	import { nameTwice, vantageProblems, type Vantage } from '$lib/core/vantage/index.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { GROUPS, valueAt, withValue, type FormField } from './vantageFields.ts';

	interface Props {
		/** What is changed. */
		vantage: Vantage;
		/** Names of the other vantages. */
		taken: readonly string[];
		onkeep: (vantage: Vantage) => void;
		onclose: () => void;
	}

	let { vantage, taken, onkeep, onclose }: Props = $props();

	let form = $state.raw(untrack(() => vantage));
	let problems = $state.raw<ReadonlyMap<string, string>>(new Map());
	let element: HTMLFormElement;

	const set = (path: string, value: unknown): void => {
		form = withValue(form, path, value);
	};

	const members = (path: string): unknown[] => valueAt(form, path) as unknown[];

	function keep(event: SubmitEvent): void {
		event.preventDefault();
		const found = new Map(vantageProblems(form));
		if (nameTwice([...taken, form.name]) !== undefined) {
			found.set('name', `another vantage is called “${form.name}”`);
		}
		problems = found;
		if (found.size === 0) onkeep({ ...form, name: form.name.trim() });
		else requestAnimationFrame(() => element.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus());
	}
</script>

{#snippet tick(field: FormField, checked: boolean, onchange: (on: boolean) => void)}
	<label class="tick">
		<input type="checkbox" {checked} onchange={(event) => onchange(event.currentTarget.checked)} />
		{field.label}
	</label>
{/snippet}

{#snippet entry(field: FormField)}
	{@const { label, path } = field}
	{@const problem = problems.get(path)}
	{#if field.kind === 'tick'}
		{@render tick(field, valueAt(form, path) === true, (on) => set(path, on))}
	{:else if field.kind === 'member'}
		{@render tick(field, members(path).includes(field.value), (on) =>
			set(path, [...members(path).filter((one) => one !== field.value), ...(on ? [field.value] : [])])
		)}
	{:else}
		<Field {label} unit={field.kind === 'number' ? field.unit : ''} {problem}>
			{#snippet control(id, described)}
				{#if field.kind === 'choice'}
					<select {id} value={valueAt(form, path)} onchange={(event) => set(path, event.currentTarget.value)}>
						{#each field.values as value (value)}<option>{value}</option>{/each}
					</select>
				{:else if field.kind === 'number'}
					{@const factor = field.factor ?? 1}
					<input
						{id}
						type="number"
						step="any"
						value={Math.round(Number(valueAt(form, path)) * factor * 1e6) / 1e6}
						onchange={(event) => set(path, event.currentTarget.valueAsNumber / factor)}
						aria-invalid={problem !== undefined}
						aria-describedby={described}
					/>
				{:else}
					<input
						{id}
						value={valueAt(form, path)}
						oninput={(event) => set(path, event.currentTarget.value)}
						aria-invalid={problem !== undefined}
						aria-describedby={described}
					/>
				{/if}
			{/snippet}
		</Field>
	{/if}
{/snippet}

<Dialog title={vantage.name} {onclose}>
	{#snippet children(close)}
		<form bind:this={element} novalidate onsubmit={keep}>
			{#each GROUPS as { title, fields } (title)}
				<fieldset>
					<legend>{title}</legend>
					{#each fields as field (field.label)}{@render entry(field)}{/each}
				</fieldset>
			{/each}
			<p class="pair">
				<Button type="submit" look="primary">Keep</Button>
				<Button look="quiet" onclick={close}>Cancel</Button>
			</p>
		</form>
	{/snippet}
</Dialog>

<style>
	form {
		display: grid;
		gap: 1rem;
		margin-top: 1rem;
	}

	fieldset {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9.375rem, 1fr));
		gap: 0.625rem 1.125rem;
		align-items: start;
		margin: 0;
		padding: 0.625rem 0 0;
		border: 0;
		border-top: 1px solid var(--hair);
	}

	legend {
		padding: 0 0.625rem 0 0;
		font: 600 0.9375rem/1.2 var(--display);
	}

	.tick {
		display: flex;
		gap: 0.375rem;
		align-items: center;
		align-self: end;
		min-height: 1.875rem;
	}

	.pair {
		display: flex;
		gap: 0.625rem;
	}
</style>
