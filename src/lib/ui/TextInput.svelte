<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';

	interface Props extends HTMLInputAttributes {
		/** Its width, a CSS length. */
		width?: string;
	}

	let { value = $bindable(), width = '8rem', ...rest }: Props = $props();
</script>

<!-- A field for code: no spelling is checked in it, and no browser suggests what was typed before. -->
<input bind:value style:width spellcheck="false" autocomplete="off" {...rest} />

<style>
	input {
		min-height: 1.5rem;
		padding: 0 0.375rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 0.8125rem/1.2 var(--mono);
	}
</style>
