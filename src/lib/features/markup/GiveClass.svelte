<script lang="ts">
	import type { PageNames } from '$lib/core/site/index.ts';
	import type { Later } from '$lib/session/later.svelte.ts';
	import { counted } from '$lib/core/text/index.ts';
	import { CLASS_NAME, classesOf, elementAt, likeIt, type ElementPath } from '$lib/core/html/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import Field from '$lib/ui/Field.svelte';
	import ClassList from './ClassList.svelte';

	interface Props {
		/** The names on the page and in its sheets. */
		names: Later<PageNames>;
		page: PageState;
		/** The selected elements. */
		paths: readonly ElementPath[];
		/** Adds a class to elements; returns what was done, in words. */
		give: (paths: readonly ElementPath[], name: string) => Promise<string>;
	}

	let { page, names, paths, give }: Props = $props();

	const listId = $props.id();
	let name = $state('');
	let onto = $state<'these' | 'section' | 'page'>('these');
	let said = $state('');

	const chosen = $derived.by((): readonly ElementPath[] => {
		const element = elementAt(page.page, paths[0] ?? []);
		if (onto === 'these' || !element) return paths;
		return likeIt(page.page, element, onto).map(({ path }) => path);
	});
	const entered = $derived(name.trim().replace(/^\./, ''));
	const problem = $derived(
		entered === '' || CLASS_NAME.test(entered)
			? undefined
			: 'A class name starts with a letter and contains only letters, digits, - and _.'
	);
	/** The elements that have the class already. */
	const taken = $derived.by(() => {
		if (entered === '' || problem) return '';
		if (!names.value) return names.error;
		const count = page.page.elements.filter((one) => classesOf(one).includes(entered)).length;
		const styled = names.value.styled.has(entered);
		if (count === 0 && !styled) return 'No element on this page has it yet, and no sheet uses it.';
		const has = count === 0 ? 'No element' : count === 1 ? 'One element' : `${count} elements`;
		return `${has} of this page ${count > 1 ? 'have' : 'has'} it already${styled ? ', and a sheet has rules for it' : ''}.`;
	});

	async function act(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		if (entered !== '' && !problem) said = await give(chosen, entered);
	}
</script>

<ClassList id={listId} names={names.value} />
<form onsubmit={act}>
	<Field label="Add a class" {problem}>
		{#snippet control(id, described)}
			<input
				{id}
				bind:value={name}
				aria-describedby={described}
				aria-invalid={problem !== undefined}
				list={listId}
				spellcheck="false"
				autocomplete="off"
			/>
		{/snippet}
	</Field>
	<Field label="to">
		{#snippet control(id)}
			<select {id} bind:value={onto}>
				<option value="these">{paths.length > 1 ? 'these' : 'this one'}</option>
				<option value="section">all like it in its section</option>
				<option value="page">all like it on the page</option>
			</select>
		{/snippet}
	</Field>
	<Button disabled={entered === '' || problem !== undefined} type="submit"
		>Add to {counted(chosen.length, 'element')}</Button
	>
	<p role="status">{said || taken}</p>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: minmax(0, 2fr) minmax(0, 2fr) auto;
		gap: 0.25rem 0.75rem;
		align-items: end;
		margin-top: 0.75rem;
		padding-top: 0.5rem;
		border-top: 1px solid var(--hair);
	}

	p {
		grid-column: 1 / -1;
		min-height: 1.25rem;
		color: var(--ink-2);
	}
</style>
