<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		onclick: () => void;
		/** Whether it is the present place. */
		current?: boolean;
		children: Snippet;
	}

	let { onclick, current = false, children }: Props = $props();
</script>

<!-- A place to go to: in a text, or a width. -->
<button type="button" aria-current={current ? 'true' : undefined} {onclick}>{@render children()}</button>

<style>
	button {
		min-height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		background: none;
		color: var(--blue);
		font: 0.8125rem/1.4 var(--mono);
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}

	button[aria-current='true'] {
		color: var(--brass-line, var(--ink));
		font-weight: 700;
	}
</style>
