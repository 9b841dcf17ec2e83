<script lang="ts">
	import { nameAt } from '$lib/core/html/index.ts';
	import type { Cause } from './causes.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import PlaceButton from '$lib/ui/PlaceButton.svelte';
	import { placeName } from '$lib/features/frames/placeName.ts';

	interface Props {
		page: PageState;
		/** Why a value changes; null while that is being found out. */
		cause: Cause | null;
		onplace: (place: FilePlace) => void;
	}

	let { page, cause, onplace }: Props = $props();

	// Shows the first declaration to blame in the sheet.
	$effect(() => {
		const [first] = cause?.blamed ?? [];
		if (first) onplace({ path: first.from.file, offset: first.from.span.start, aside: true });
	});
	const named = (path: readonly number[]): string => nameAt(page.page, path, 'something');
</script>

{#snippet place(file: string, span: { start: number; end: number })}
	<PlaceButton onclick={() => onplace({ path: file, offset: span.start })}
		>{placeName(page, { file, span })}</PlaceButton
	>
{/snippet}

{#if cause === null}
	<p class="quiet" role="status">Removing declarations one at a time to find the cause …</p>
{:else}
	{#each cause.blamed as { from, path, left }, i (i)}
		<p>
			<span>{left > 0 ? 'Smaller without' : 'By'}</span>
			<code>{from.property}: {from.written}</code>
			<span>on {named(path)},</span>
			{@render place(from.file, from.span)}
		</p>
	{/each}
	{#each cause.broken as { path, what, from, to }, i (i)}
		<p>
			{#if what === 'lines'}The words of {named(path)} take {to} line{to === 1 ? '' : 's'} instead of {from}.
			{:else}What is in {named(path)} stands in {to} row{to === 1 ? '' : 's'} instead of {from}.{/if}
		</p>
	{/each}
	{#if cause.blamed.length === 0 && cause.broken.length === 0}
		<p class="quiet">
			No single declaration on it or its ancestors causes this{cause.sites.length > 0
				? '; these begin or end to hold here:'
				: ', and no line of text breaks otherwise here: it follows from several together.'}
		</p>
	{/if}
	{#if cause.blamed.length === 0}
		{#each cause.sites as { file, span, text }, i (i)}
			<p><code>{text}</code> {@render place(file, span)}</p>
		{/each}
	{/if}
{/if}

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.375rem;
		align-items: baseline;
		min-height: 1.5rem;
	}

	.quiet {
		color: var(--ink-2);
	}

	code {
		font: 0.8125rem/1.4 var(--mono);
	}
</style>
