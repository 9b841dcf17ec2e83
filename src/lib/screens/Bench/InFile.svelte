<script lang="ts">
	import { later } from '$lib/session/later.svelte.ts';
	import { reader } from '$lib/session/reader.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';

	interface Props {
		/** A minified sheet, or a page with one in a `<style>`. */
		file: FileText;
	}

	let { file }: Props = $props();

	/** How long the caret rests before it is asked where it is, ms. */
	const REST = 200;

	const caret = $derived(file.state.selection.main.head);
	const place = later({
		question: () =>
			file.ownLines && !file.isBehind
				? { now: file.text, kind: file.kind, saved: { text: file.saved, own: file.ownLines }, caret }
				: undefined,
		about: () => file.path,
		rest: REST,
		ask: ({ now, kind, saved, caret }) => reader.placeInFile(now, kind, saved, caret)
	});
	const line = $derived(file.state.doc.lineAt(caret));
</script>

<p title="Saving writes only what you changed.">
	Minified, and laid out to be read: {line.number}:{caret - line.from + 1}{place.value
		? ` here is ${place.value.line}:${place.value.column} in the file`
		: ''}
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
