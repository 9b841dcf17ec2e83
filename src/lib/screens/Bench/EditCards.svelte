<script lang="ts">
	import type { Edits } from '$lib/state/edits.svelte.ts';
	import type { SiteState } from '$lib/state/site.svelte.ts';
	import type { FilePlace } from '$lib/state/texts.svelte.ts';
	import Proposed from './Proposed.svelte';
	import Shift from './Shift.svelte';
	import Arrange from './Arrange.svelte';

	interface Props {
		edits: Edits;
		site: SiteState;
		/** The pages that have any of some files. */
		pagesOf: (files: readonly string[]) => readonly string[];
		onplace: (place: FilePlace) => void;
	}

	let { edits, site, pagesOf, onplace }: Props = $props();
</script>

<Shift shifting={edits.shifting} {pagesOf} />
<Proposed proposal={edits.proposal} {pagesOf} />
{#if edits.arranged}<Arrange {edits} {site} chosen={edits.arranged} {pagesOf} {onplace} />{/if}
