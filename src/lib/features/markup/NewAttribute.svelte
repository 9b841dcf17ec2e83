<script lang="ts">
	import { ATTRIBUTE_NAME } from '$lib/core/html/edit/index.ts';
	import Button from '$lib/ui/Button.svelte';
	import TextInput from '$lib/ui/TextInput.svelte';

	interface Props {
		onadd: (name: string, value: string) => void;
	}

	let { onadd }: Props = $props();

	let name = $state('');
	let value = $state('');
	function add(event: SubmitEvent): void {
		event.preventDefault();
		const entered = name.trim().toLowerCase();
		if (ATTRIBUTE_NAME.test(entered)) onadd(entered, value);
	}
</script>

<form onsubmit={add}>
	<TextInput bind:value={name} placeholder="attribute" aria-label="Name of a new attribute" />
	<TextInput bind:value placeholder="value" aria-label="Value of a new attribute" />
	<Button look="quiet" type="submit" disabled={name.trim() === ''}>Add attribute</Button>
</form>

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 0.625rem;
		align-items: center;
		min-height: 1.75rem;
	}
</style>
