<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import type { Edits } from './edits.svelte.ts';
	import { breakpointsOf, type Bands } from '$lib/core/media/index.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import Proposed from './Proposed.svelte';
	import Shift from './Shift.svelte';
	import Arrange from './Arrange.svelte';

	interface Props {
		edits: Edits;
		site: SiteState;
		/** The pages that have any of some files. */
		pagesOf: (files: readonly string[]) => readonly string[];
		onplace: (place: FilePlace) => void;
		bands: Bands;
	}

	let { edits, site, pagesOf, onplace, bands }: Props = $props();
	const { carriage } = getSite();
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
