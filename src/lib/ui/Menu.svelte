<script lang="ts">
	import { flushSync, type Snippet } from 'svelte';

	interface Props {
		/** The name of the menu, on the button that opens it. */
		label: string;
		/** Whether it always opens upwards. */
		up?: boolean;
		/** Whether it also opens on hover and focus. */
		points?: boolean;
		/** Called when it opens. */
		onopen?: () => void;
		children: Snippet;
	}

	let { label, up = false, points = false, onopen, children }: Props = $props();

	let details: HTMLDetailsElement;
	let box: HTMLDivElement;
	/** Its content is created when it is first opened: it may be large. */
	let isMade = $state(false);

	/** The minimum distance from the window's edges, px. */
	const EDGE = 8;
	/** With less room than this below, it opens upwards if there is more room there, px. */
	const LEAST = 240;

	/** Above everything else, entirely in the window, at the button. */
	function place(): void {
		// The close event may come after the menu has been removed.
		if (!details) return;
		if (!details.open) return box.hidePopover();
		if (!isMade) flushSync(() => (isMade = true));
		if (!box.matches(':popover-open')) {
			box.showPopover();
			onopen?.();
		}
		const { left, top, bottom } = details.getBoundingClientRect();
		const [above, below] = [top - 2 * EDGE, innerHeight - bottom - 2 * EDGE];
		const upwards = up || below < Math.min(LEAST, above);
		box.style.maxHeight = `${upwards ? above : below}px`;
		box.style.left = `${Math.max(EDGE, Math.min(left - 12, innerWidth - box.offsetWidth - EDGE))}px`;
		box.style.top = `${upwards ? top - box.offsetHeight - 4 : bottom + 4}px`;
	}

	/** Its content may come later, or grow. */
	$effect(() => {
		const grown = new ResizeObserver(() => details.open && place());
		grown.observe(box);
		return () => grown.disconnect();
	});

	/** Opens it, with the focus on its first control. */
	export function open(): void {
		details.open = true;
		place();
		details.querySelector<HTMLElement>('.box :is(button, input, select)')?.focus();
	}

	/** Whether it was opened by hover or focus, and therefore closes by itself. */
	let isPointed = false;
	let leaving: ReturnType<typeof setTimeout> | undefined;
	/** The delay before it closes after the pointer has left, ms: there may be a gap on the way to its content. */
	const LEAVING = 250;

	function point(): void {
		clearTimeout(leaving);
		if (!points || details.open) return;
		isPointed = true;
		details.open = true;
	}
	function leave(): void {
		clearTimeout(leaving);
		if (isPointed) leaving = setTimeout(() => (details.open = isPointed = false), LEAVING);
	}
	/** A click on a menu opened by hover keeps it open. */
	function keep(event: MouseEvent): void {
		clearTimeout(leaving);
		if (isPointed && details.open) event.preventDefault();
		isPointed = false;
	}

	/** Closes on Escape, and returns the focus. */
	function close(event: KeyboardEvent): void {
		if (event.key !== 'Escape' || !details.open) return;
		details.open = false;
		details.querySelector('summary')?.focus();
	}

	const FIRST = 'a'.charCodeAt(0);

	/** A letter presses the button that it precedes; arrow keys move between the buttons. */
	function pressed(event: KeyboardEvent): void {
		const { key, currentTarget, target } = event;
		if (event.ctrlKey || event.metaKey || event.altKey || !(currentTarget instanceof Element)) return;
		const buttons = [...currentTarget.querySelectorAll('button')];
		const at = buttons.findIndex((one) => one === target);
		const step = { ArrowDown: 1, ArrowUp: -1 }[key];
		const chosen =
			step === undefined ? undefined : at < 0 ? buttons[0] : buttons.at((at + step) % buttons.length);
		const lettered = key.length === 1 ? buttons[key.toLowerCase().charCodeAt(0) - FIRST] : undefined;
		if (target instanceof HTMLSelectElement || (!chosen && !lettered)) return;
		event.preventDefault();
		event.stopPropagation();
		chosen?.focus();
		lettered?.click();
	}

	/** Closes when a button in it was pressed, because it has served its purpose. */
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

<details
	bind:this={details}
	ontoggle={place}
	onpointerenter={({ pointerType }) => pointerType === 'mouse' && point()}
	onpointerleave={leave}
	onfocusout={({ relatedTarget }) => {
		if (!(relatedTarget instanceof Node) || !details.contains(relatedTarget)) leave();
	}}
>
	<summary
		onclick={keep}
		onfocus={({ currentTarget, relatedTarget }) => {
			// When closed by Escape, its button gets the focus back.
			const isBack = relatedTarget instanceof Node && details.contains(relatedTarget);
			if (currentTarget.matches(':focus-visible') && !isBack) point();
		}}>{label}</summary
	>
	<!-- svelte-ignore a11y_no_static_element_interactions (what is in it is pressed; it listens for that) -->
	<div bind:this={box} class="box" popover="manual" onclick={chosen} onkeydown={pressed}>
		{#if isMade}{@render children()}{/if}
	</div>
</details>

<style>
	summary {
		line-height: 1.5rem;
		cursor: pointer;
	}

	.box {
		inset: auto;
		margin: 0;
		counter-reset: item;
		padding: 0.75rem 1rem;
		overflow-y: auto;
		border: 1px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
	}

	.box :global(button) {
		counter-increment: item;
	}

	.box :global(button)::before {
		margin-right: 0.5rem;
		color: var(--ink-2);
		font: 0.8125rem/1.4 var(--mono);
		content: counter(item, lower-alpha);
	}

	.box:popover-open {
		display: grid;
		gap: 0.25rem;
	}
</style>
