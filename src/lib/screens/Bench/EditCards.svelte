<script lang="ts">
	import type { Edits } from '$lib/state/edits.ts';
	import Proposed from './Proposed.svelte';
	import Shift from './Shift.svelte';

	interface Props {
		edits: Edits;
		/** The pages that have any of some files. */
		pagesOf: (files: readonly string[]) => readonly string[];
	}

	let { edits, pagesOf }: Props = $props();
</script>

<Shift shifting={edits.shifting} {pagesOf} />
<Proposed proposal={edits.proposal} />
