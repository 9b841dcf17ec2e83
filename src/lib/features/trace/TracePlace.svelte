<script lang="ts">
	import type { MouseEventHandler } from 'svelte/elements';

	interface Props {
		/** A file and line, in short; or another action of the Trace. */
		name: string;
		title?: string;
		onclick: MouseEventHandler<HTMLButtonElement>;
	}

	let { name, title = '', onclick }: Props = $props();
</script>

<button type="button" class="place" {onclick} {title}>{name}</button>

<style>
	button {
		min-height: 1.5rem;
		padding: 0 2px;
		border: 0;
		background: none;
		color: var(--ink-2);
		font: 0.8125rem/1.4 var(--mono);
		text-decoration: underline;
		text-underline-offset: 3px;
		white-space: nowrap;
		cursor: pointer;
	}

	button:hover {
		color: var(--ink);
	}
</style>
