<script lang="ts">
	import type { Proposal } from '$lib/state/proposal.svelte.ts';
	import EditCard from './EditCard.svelte';

	interface Props {
		proposal: Proposal;
	}

	let { proposal }: Props = $props();
</script>

{#if proposal.sentence !== null}
	<EditCard
		name="What would be written"
		lines={proposal.lines}
		onkeep={() => proposal.keep()}
		ondrop={() => proposal.drop()}
	>
		<p role="status"><b>{proposal.sentence}</b></p>
		{#each proposal.notes as note (note)}<p class="note">{note}</p>{/each}
	</EditCard>
{/if}

<style>
	.note {
		color: var(--ochre);
	}
</style>
