<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What the menu is called, on the button that opens it. */
		label: string;
		/** Whether it opens upwards. */
		up?: boolean;
		children: Snippet;
	}

	let { label, up = false, children }: Props = $props();

	let details: HTMLDetailsElement;

	/** Opens it, with the focus on the first thing in it. */
	export function open(): void {
		details.open = true;
		details.querySelector<HTMLElement>('.box :is(button, input, select)')?.focus();
	}

	/** Closes on Escape, with the focus back where it opened. */
	function close(event: KeyboardEvent): void {
		if (event.key !== 'Escape' || !details.open) return;
		details.open = false;
		details.querySelector('summary')?.focus();
	}

	/** Closes where a button in it was pressed: it has done what it was opened for. */
	function chosen({ target }: MouseEvent): void {
		if (!(target instanceof Element) || !target.closest('button')) return;
		const within = details.contains(document.activeElement);
		details.open = false;
		if (within) details.querySelector('summary')?.focus();
	}
</script>

<svelte:window
	onkeydown={close}
	onpointerdown={({ target }) => {
		if (details?.open && target instanceof Node && !details.contains(target)) details.open = false;
	}}
/>

<details bind:this={details}>
	<summary>{label}</summary>
	<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions (a button pressed by key clicks too) -->
	<div class={up ? 'box up' : 'box'} onclick={chosen}>{@render children()}</div>
</details>

<style>
	details {
		position: relative;
	}

	summary {
		line-height: 24px;
		cursor: pointer;
	}

	.box {
		position: absolute;
		top: 28px;
		left: -12px;
		z-index: 5;
		display: grid;
		gap: 10px;
		max-height: 60vh;
		padding: 12px 16px;
		overflow-y: auto;
		border: 1px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
	}

	.up {
		top: auto;
		bottom: 28px;
	}
</style>
