<script lang="ts">
	import { shownPlace } from '$lib/session/placeInWords.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';

	interface Props {
		site: SiteState;
		/** A minified sheet, or a page with one in a `<style>`. */
		file: FileText;
	}

	let { site, file }: Props = $props();

	const place = $derived(file.isBehind ? null : shownPlace(site, file.path, file.state.selection.main.head));
	const words = $derived.by(() => {
		if (!place) return '';
		const { line, column, inFile } = place;
		return `: ${line}:${column}${inFile ? ` here is ${inFile.line}:${inFile.column} in the file` : ''}`;
	});
</script>

<p title="Saving writes only what you changed.">
	Minified, and laid out to be read{words}
</p>

<style>
	p {
		flex: none;
		padding: 0 0.875rem;
		overflow: hidden;
		border-top: 1px solid var(--hair);
		color: var(--ink-2);
		font-size: 0.8125rem;
		line-height: 1.5rem;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
</style>
