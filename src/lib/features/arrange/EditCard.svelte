<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { FileLines } from '$lib/session/desk.ts';
	import Button from '$lib/ui/Button.svelte';
	import ChangedLines from './ChangedLines.svelte';

	interface Props {
		name: string;
		/** The lines that change, and the action that writes them; a card with a question has neither. */
		lines?: readonly FileLines[];
		onkeep?: () => void;
		ondrop: () => void;
		/** Moves further down by one place (−1: up). */
		onfurther?: ((by: number) => void) | null;
		/** What it does, in words. */
		children: Snippet;
	}

	let { name, lines = [], onkeep, ondrop, onfurther = null, children }: Props = $props();

	let card = $state<HTMLElement>();
	$effect(() => {
		const before = document.activeElement;
		(card?.querySelector('input') ?? card)?.focus();
		return () => {
			if (before instanceof HTMLElement) before.focus();
		};
	});

	function pressed(event: KeyboardEvent): void {
		event.stopPropagation();
		const by = event.altKey ? { PageUp: -1, PageDown: 1 }[event.key] : undefined;
		const isEnter = event.key === 'Enter';
		if (isEnter && (event.target instanceof HTMLButtonElement || !onkeep)) return;
		if (isEnter) onkeep?.();
		else if (by !== undefined && onfurther) onfurther(by);
		else if (event.key === 'Escape') ondrop();
		else return;
		event.preventDefault();
	}
</script>

<div bind:this={card} class="card" role="dialog" aria-label={name} tabindex="-1" onkeydown={pressed}>
	{@render children()}
	{#if onkeep}
		<ChangedLines files={lines} most={13} />
		<p class="acts">
			<Button look="primary" onclick={onkeep} disabled={lines.length === 0}>Write it</Button>
			<Button onclick={ondrop}>Discard</Button>
			<span
				><kbd>Enter</kbd>, <kbd>Esc</kbd>{#if onfurther}, further: <kbd>Alt PgUp PgDn</kbd>{/if}</span
			>
		</p>
	{/if}
</div>

<style>
	.card {
		position: absolute;
		top: 100%;
		right: 1.25rem;
		z-index: 6;
		width: min(30rem, 90vw);
		padding: 0.625rem 0.75rem;
		border: 1px solid var(--ink);
		background: var(--sheet);
		box-shadow: 0 6px 18px rgb(0 0 0 / 0.18);
		font-size: 0.8125rem;
	}

	.acts {
		display: flex;
		gap: 0.5rem;
		align-items: center;
	}

	span {
		color: var(--ink-2);
	}

	kbd {
		font: 0.8125rem/1.4 var(--mono);
	}
</style>
