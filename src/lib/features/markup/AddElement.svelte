<script lang="ts">
	import { INSERT_PLACES, type InsertPlace } from '$lib/core/html/edit/index.ts';
	import Button from '$lib/ui/Button.svelte';

	interface Props {
		onadd: (html: string, place: InsertPlace) => void;
	}

	let { onadd }: Props = $props();

	const NAMES: Readonly<Record<InsertPlace, string>> = {
		before: 'before it',
		after: 'after it',
		first: 'inside, first',
		last: 'inside, last'
	};
	let html = $state('');
	let place = $state<InsertPlace>('after');
	function add(event: SubmitEvent): void {
		event.preventDefault();
		onadd(html, place);
	}
</script>

<form onsubmit={add}>
	<textarea
		bind:value={html}
		rows="2"
		placeholder="HTML, typed or pasted"
		aria-label="HTML to add"
		spellcheck="false"
		autocomplete="off"></textarea>
	<select bind:value={place} aria-label="Where to add it">
		{#each INSERT_PLACES as one (one)}<option value={one}>{NAMES[one]}</option>{/each}
	</select>
	<Button look="quiet" type="submit" disabled={html.trim() === ''}>Add</Button>
</form>

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 0.625rem;
		align-items: center;
	}

	textarea {
		flex: 1 1 12rem;
		min-height: 2.5rem;
		padding: 0.25rem 0.375rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 0.8125rem/1.4 var(--mono);
		resize: vertical;
	}
</style>
