<script lang="ts">
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Button from '$lib/ui/Button.svelte';

	interface Props {
		site: SiteState;
		/** Shows both texts of a file side by side. */
		oncompare: (path: string) => void;
	}

	let { site, oncompare }: Props = $props();

	/** How many lines of a text are not in another. */
	function linesOnlyIn(text: string, other: string): number {
		const known = new Set(other.split('\n'));
		return text.split('\n').filter((line) => !known.has(line)).length;
	}

	/** In how many lines two texts differ. */
	function apart(mine: string, theirs: string): string {
		const lines = Math.max(linesOnlyIn(mine, theirs), linesOnlyIn(theirs, mine));
		return lines === 1 ? '1 line differs' : `${lines} lines differ`;
	}
</script>

{#if site.saving.stale.length > 0}
	<section aria-label="Saved elsewhere">
		{#each site.saving.stale as file (file.path)}
			<p>
				<b>{file.path}</b> was saved elsewhere since you opened it. Both texts are kept: theirs as a revision,
				yours as a draft ({apart(site.texts.get(file.path)?.text ?? '', file.text)}).
				<Button look="quiet" onclick={() => oncompare(file.path)}>Compare, line by line</Button>
				<Button look="quiet" onclick={() => site.saving.settle(file, 'mine')}>Keep mine</Button>
				<Button look="quiet" onclick={() => site.saving.settle(file, 'theirs')}>Take theirs</Button>
			</p>
		{/each}
	</section>
{/if}

<style>
	section {
		grid-area: foot;
		padding: 0.375rem 1rem;
		border-top: 1px solid var(--ink);
		background: var(--sheet);
		color: var(--rubric);
	}
</style>
