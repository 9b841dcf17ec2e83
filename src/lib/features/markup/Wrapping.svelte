<script lang="ts">
	import type { MarkupRequest } from '$lib/core/html/edit/index.ts';
	import { CLASS_NAME } from '$lib/core/html/index.ts';
	import Button from '$lib/ui/Button.svelte';
	import TextInput from '$lib/ui/TextInput.svelte';

	interface Props {
		/** The page's text. */
		source: string;
		/** The list of classes that are offered. */
		classesId: string;
		/** Whether the selected elements are adjacent, so that they can be wrapped together. */
		isRow: boolean;
		/** Selected words of the source; null for none. */
		words: { readonly start: number; readonly end: number } | null;
		onrequest: (request: MarkupRequest) => void;
	}

	let { source, classesId, isRow, words, onrequest }: Props = $props();

	let tag = $state('div');
	let className = $state('');
	const wrapper = $derived({ tag: tag.trim().toLowerCase(), className: className.trim().replace(/^\./, '') });
	const canWrap = $derived(
		/^[a-z][a-z0-9-]*$/.test(wrapper.tag) && (wrapper.className === '' || CLASS_NAME.test(wrapper.className))
	);
</script>

<p>
	<TextInput width="5rem" bind:value={tag} aria-label="Tag to wrap it into" />
	<TextInput bind:value={className} placeholder="class" aria-label="Class of that tag" list={classesId} />
	<Button
		look="quiet"
		disabled={!canWrap}
		onclick={() => onrequest({ kind: 'wrap', wrapper, together: false })}>Wrap</Button
	>
	{#if isRow}
		<Button
			look="quiet"
			disabled={!canWrap}
			onclick={() => onrequest({ kind: 'wrap', wrapper, together: true })}>Wrap them as one</Button
		>
	{/if}
	{#if words}
		<Button
			look="quiet"
			disabled={!canWrap}
			onclick={() => onrequest({ kind: 'wrap-words', wrapper, ...words })}
			>Wrap “{source.slice(words.start, words.end).slice(0, 24)}”</Button
		>
	{/if}
</p>

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 0.625rem;
		align-items: center;
		min-height: 1.75rem;
	}
</style>
