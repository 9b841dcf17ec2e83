<script lang="ts">
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import EditCard from './EditCard.svelte';

	interface Props {
		proposal: Proposal;
		/** The pages that use any of some files. */
		pagesOf: (files: readonly string[]) => readonly string[];
		onplace: (place: FilePlace) => void;
	}

	let { proposal, pagesOf, onplace }: Props = $props();

	const pages = $derived(pagesOf(proposal.lines.map(({ path }) => path)));

	function keep(): void {
		const shown = proposal.keep();
		if (shown) onplace(shown);
	}
</script>

{#if proposal.sentence !== null}
	<EditCard
		name="What would be written"
		lines={proposal.lines}
		onkeep={keep}
		ondrop={() => proposal.drop()}
		onfurther={proposal.further}
	>
		<p role="status"><b>{proposal.sentence}</b></p>
		{#if pages.length > 1}<p>It reaches {pages.length} pages: {pages.join(', ')}.</p>{/if}
		{#each proposal.notes as note, i (i)}<p class="note">{note}</p>{/each}
	</EditCard>
{/if}

<style>
	.note {
		color: var(--ochre);
	}
</style>
