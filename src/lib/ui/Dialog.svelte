<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		/** Whether it takes up the window's whole width. */
		wide?: boolean;
		onclose: () => void;
		/** Its content; gets the function that closes it. */
		children: Snippet<[close: () => void]>;
	}

	let { title, wide = false, onclose, children }: Props = $props();

	const id = $props.id();
	let dialog: HTMLDialogElement;

	const before = document.activeElement;
	let isReported = false;

	/** Reports its closing once and immediately: the element's own event comes later. */
	function reportClosed(): void {
		if (isReported) return;
		isReported = true;
		// An engine may give the focus to an editor that had lost it before.
		if (before === document.body) (document.activeElement as HTMLElement | null)?.blur();
		onclose();
	}

	function close(): void {
		dialog.close();
		reportClosed();
	}

	$effect(() => dialog.showModal());
</script>

<dialog bind:this={dialog} class:wide oncancel={reportClosed} onclose={reportClosed} aria-labelledby={id}>
	<h2 {id}>{title}</h2>
	{@render children(close)}
</dialog>

<style>
	dialog {
		width: min(53.75rem, 94vw);
		max-height: 92vh;
		padding: 1.25rem 1.5rem;
		border: 1px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
	}

	.wide {
		width: min(96rem, 96vw);
	}

	dialog::backdrop {
		background: rgb(0 0 0 / 0.35);
	}
</style>
