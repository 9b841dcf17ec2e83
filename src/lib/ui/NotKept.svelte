<script lang="ts">
	import type { Result } from '$lib/core/text/index.ts';
	import Button from './Button.svelte';

	interface Props {
		/** A list stored with the site. */
		list: { readonly trouble: string | null; keepAgain(): Promise<Result> };
	}

	let { list }: Props = $props();
</script>

{#if list.trouble !== null}
	<p role="alert">
		Not kept: {list.trouble}
		<Button look="quiet" onclick={() => void list.keepAgain()}>Try again</Button>
	</p>
{/if}

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.75rem;
		align-items: center;
		margin: 0;
		padding: 0 0.5rem;
		color: var(--rubric);
		font-size: 0.8125rem;
	}
</style>
