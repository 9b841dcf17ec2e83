<script lang="ts">
	import type { Snippet } from 'svelte';
	import { messageOf } from '$lib/core/text/index.ts';
	import Button from './Button.svelte';

	interface Props {
		/** The name of the part in a message about its failure: "Findings". */
		name: string;
		children: Snippet;
	}

	let { name, children }: Props = $props();
</script>

<!-- What fails in it says so in its place, and nothing else stops. -->
<svelte:boundary onerror={(error) => console.error(error)}>
	{@render children()}
	{#snippet failed(error, reset)}
		<div role="alert">
			<p><b>{name} cannot be shown.</b> {messageOf(error)}</p>
			<p>Everything else still works, and nothing you wrote is lost.</p>
			<Button onclick={reset}>Try again</Button>
		</div>
	{/snippet}
</svelte:boundary>

<style>
	div {
		display: grid;
		gap: 0.5rem;
		justify-items: start;
		align-content: start;
		max-width: 46ch;
		padding: 0.625rem 0.875rem;
	}

	b {
		color: var(--rubric);
	}
</style>
