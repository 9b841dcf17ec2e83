<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { HTMLButtonAttributes } from 'svelte/elements';

	interface Props extends HTMLButtonAttributes {
		/** The screen's main action, an ordinary one, or one that looks like a link. */
		look?: 'primary' | 'plain' | 'quiet';
		children: Snippet;
	}

	let { look = 'plain', children, ...rest }: Props = $props();
</script>

<button type="button" class={look} {...rest}>{@render children()}</button>

<style>
	button {
		display: inline-flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 2.125rem;
		padding: 0 0.875rem;
		border: 1px solid var(--ink);
		border-radius: 2px;
		background: var(--sheet);
		font-weight: 600;
		cursor: pointer;
	}

	button:hover {
		background: var(--tint);
	}

	button:disabled {
		border-color: var(--hair);
		color: var(--ink-2);
		cursor: default;
	}

	.primary {
		border-color: var(--rubric);
		background: var(--rubric);
		color: var(--on-rubric);
	}

	.primary:hover {
		background: color-mix(in srgb, var(--rubric) 85%, var(--ink));
	}

	.primary:disabled {
		border-color: var(--hair);
		background: var(--paper);
	}

	.quiet {
		min-height: 1.625rem;
		padding: 0 0.375rem;
		border-color: transparent;
		background: none;
		font-weight: 400;
		text-decoration: underline;
		text-underline-offset: 3px;
	}
</style>
