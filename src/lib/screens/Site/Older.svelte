<script lang="ts">
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Button from '$lib/ui/Button.svelte';

	let { site }: { site: SiteState } = $props();
</script>

{#if site.older.length > 0}
	<h2>Older drafts</h2>
	<p>Unsaved texts of tabs that are closed; a newer draft of the same file was taken up in this tab.</p>
	<ul>
		{#each site.older as draft (`${draft.path} ${draft.tab}`)}
			<li>
				<span><b>{draft.path}</b>, {new Date(draft.at).toLocaleString()}</span>
				<Button look="quiet" onclick={() => site.takeDraft(draft)}>Restore</Button>
				<Button look="quiet" onclick={() => site.dropOlder(draft)}>Discard</Button>
			</li>
		{/each}
	</ul>
{/if}

<style>
	h2 {
		margin-top: 1.375rem;
		font-size: 1.125rem;
	}

	p {
		color: var(--ink-2);
	}

	ul {
		width: 100%;
	}

	li {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		border-bottom: 1px solid var(--hair);
	}

	span {
		flex: 1;
		overflow-wrap: anywhere;
	}
</style>
