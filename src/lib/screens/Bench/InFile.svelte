<script lang="ts">
	import { later } from '$lib/session/later.svelte.ts';
	import { reader } from '$lib/session/reader.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';

	interface Props {
		/** A minified sheet. */
		file: FileText;
	}

	let { file }: Props = $props();

	/** How long the caret rests before it is asked where it is, ms. */
	const REST = 200;

	const caret = $derived(file.state.selection.main.head);
	const place = later({
		question: () =>
			file.ownLines && !file.isBehind
				? { now: file.text, saved: { text: file.saved, own: file.ownLines }, caret }
				: undefined,
		about: () => file.path,
		rest: REST,
		ask: ({ now, saved, caret }) => reader.placeInFile(now, saved, caret)
	});
	const line = $derived(file.state.doc.lineAt(caret));
</script>

<p
	title="This sheet is minified. It is laid out while you read and edit it; saving writes only what you changed."
>
	minified: line {line.number}:{caret - line.from + 1}{place.value
		? `, in the file ${place.value.line}:${place.value.column}`
		: ''}
</p>

<style>
	p {
		overflow: hidden;
		text-overflow: ellipsis;
	}
</style>
