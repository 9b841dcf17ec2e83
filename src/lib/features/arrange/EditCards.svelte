<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import type { Edits } from './edits.svelte.ts';
	import { breakpointsOf, type Bands } from '$lib/core/media/index.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import { changeBetween, type FilePlace } from '$lib/core/text/index.ts';
	import { followed, type Chosen } from '$lib/writing/within.ts';
	import { untrack } from 'svelte';
	import Proposed from './Proposed.svelte';
	import Shift from './Shift.svelte';
	import Arrange from './Arrange.svelte';

	interface Props {
		edits: Edits;
		site: SiteState;
		/** The pages that use any of some files. */
		pagesOf: (files: readonly string[]) => readonly string[];
		onplace: (place: FilePlace) => void;
		bands: Bands;
	}

	let { edits, site, pagesOf, onplace, bands }: Props = $props();
	const { carriage } = getSite();

	/** The arranged rules stay the same while text is written before them. */
	let last: { readonly chosen: Chosen; readonly text: string } | undefined;
	$effect.pre(() => {
		const chosen = edits.arranged;
		const text = chosen ? site.texts.get(chosen.file)?.text : undefined;
		untrack(() => {
			const before = last;
			last = chosen && text !== undefined ? { chosen, text } : undefined;
			if (!last || !before || before.chosen !== chosen || before.text === text) return;
			const now = followed(last.chosen, changeBetween(before.text, last.text));
			last = { chosen: now, text: last.text };
			edits.arranged = now;
		});
	});
</script>

<Shift shifting={edits.shifting} {pagesOf} />
<Proposed proposal={edits.proposal} {pagesOf} {onplace} />
{#if edits.arranged}
	<Arrange
		{edits}
		{site}
		chosen={edits.arranged}
		breakpoints={breakpointsOf(bands.thresholds)}
		width={carriage.width}
		{pagesOf}
		{onplace}
	/>
{/if}
