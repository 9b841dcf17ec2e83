<script lang="ts">
	import type { SiteState } from '$lib/session/site.svelte.ts';

	let { site }: { site: SiteState } = $props();

	const files = (n: number): string => (n === 1 ? '1 file' : `${n} files`);
	const state = $derived.by((): { look: 'saved' | 'unsaved' | 'failed'; words: string } => {
		if (site.saving.state.kind === 'saving') return { look: 'unsaved', words: 'Saving…' };
		if (site.saving.state.kind === 'failed')
			return { look: 'failed', words: `Not saved: ${site.saving.state.sentence}` };
		if (site.dirty.length === 0) return { look: 'saved', words: `✓ Saved · revision ${site.revision}` };
		const { history } = site;
		const walked = history.last?.how === 'made' ? '' : history.lastInWords();
		const unsaved = `${walked === '' ? '' : `${walked} · `}${files(site.dirty.length)} unsaved`;
		return site.draftTrouble
			? { look: 'failed', words: `${unsaved}, draft not kept: ${site.draftTrouble}` }
			: { look: 'unsaved', words: `• ${unsaved}, kept as draft` };
	});
</script>

<p class={state.look} role="status" title={state.words}>{state.words}</p>

<style>
	p {
		flex: 0 100 auto;
		min-width: 0;
		margin-left: auto;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	.saved {
		color: var(--verdigris);
	}

	.unsaved {
		color: var(--ochre);
	}

	.failed {
		color: var(--rubric);
		white-space: normal;
		font-size: 0.8125rem;
		line-height: 1.2;
	}
</style>
