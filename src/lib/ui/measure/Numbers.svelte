<script lang="ts">
	import { printRational } from '$lib/core/interval/index.ts';
	import type { Threshold } from '$lib/core/media/index.ts';
	import Causes from './Causes.svelte';
	import type { Places, Shift } from './places.ts';
	import { apart, clusters, middle, type Cluster, type Mark } from './ticks.ts';

	interface Props extends Places {
		/** Thresholds with their positions on the bar, px. */
		marks: readonly { readonly at: number; readonly of: Threshold }[];
		room: number;
		/** The width at a position on the bar, CSS px. */
		toWidth: (px: number) => number;
		/** Called to move a group of thresholds to a width; undefined where none can be moved. */
		onshift?: Shift | undefined;
	}

	let { marks, room, placeOf, onplace, toWidth, onshift }: Props = $props();

	let open = $state<number | null>(null);

	/** The numbers of a group, without repeating one that occurs with both sides. */
	const numbers = (group: Cluster<Threshold>): string => {
		const texts = [...new Set(group.map(({ of }) => printRational(of.cut.at)))];
		return texts.length <= 2 ? texts.join(' | ') : `${texts[0]} … ${texts.at(-1)}`;
	};

	const groups = $derived(apart(clusters(marks, 30), numbers));

	/** How far the pointer moves before a press becomes a drag, px. */
	const SLACK = 4;
	let drag: { readonly x: number; readonly mark: Mark<Threshold>; moved: boolean } | null = null;

	function take(event: PointerEvent & { currentTarget: HTMLElement }, group: Cluster<Threshold>): void {
		if (!onshift || event.button !== 0) return;
		event.currentTarget.setPointerCapture(event.pointerId);
		// Of words for several thresholds, the nearer half is meant.
		const { left, width } = event.currentTarget.getBoundingClientRect();
		const mark = group.at(event.clientX < left + width / 2 ? 0 : -1);
		if (mark) drag = { x: event.clientX, mark, moved: false };
	}

	function move(event: PointerEvent): void {
		if (!drag) return;
		const by = event.clientX - drag.x;
		if (!drag.moved && Math.abs(by) < SLACK) return;
		if (!drag.moved) onshift?.begin(drag.mark.of);
		drag.moved = true;
		open = null;
		onshift?.put(Math.round(toWidth(drag.mark.at + by)));
	}

	/** The click that ends a drag does not count. */
	let dragged = false;
	function release(): void {
		dragged = drag?.moved ?? false;
		drag = null;
	}

	function goToFirst(group: Cluster<Threshold>): void {
		const cause = group[0]?.of.causes[0];
		if (cause) onplace(cause);
	}
</script>

{#each groups as group, i (i)}
	<div
		class="number"
		style:left="{middle(group)}px"
		role="presentation"
		onpointerenter={() => (open = i)}
		onpointerleave={() => (open = null)}
		onfocusin={() => (open = i)}
		onfocusout={(event) => {
			if (!event.currentTarget.contains(event.relatedTarget as Node | null)) open = null;
		}}
	>
		<button
			type="button"
			aria-expanded={open === i}
			aria-label="Threshold {numbers(group)}"
			class:shifts={onshift}
			onpointerdown={(event) => take(event, group)}
			onpointermove={move}
			onpointerup={release}
			onpointercancel={release}
			onclick={() => {
				if (!dragged) goToFirst(group);
				dragged = false;
			}}>{numbers(group)}</button
		>
		{#if open === i}
			<Causes
				thresholds={group.map(({ of }) => of)}
				{placeOf}
				{onplace}
				all={marks.map(({ of }) => of)}
				{onshift}
				onchosen={() => (open = null)}
				shift={middle(group) < 150 ? 'right' : middle(group) > room - 220 ? 'left' : 'none'}
			/>
		{/if}
	</div>
{/each}

<style>
	.number {
		position: absolute;
		bottom: 0;
		z-index: 4;
		translate: -50% 0;
	}

	button {
		min-width: 1.5rem;
		height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		background: none;
		font: 600 0.8125rem/1 var(--mono);
		white-space: nowrap;
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}

	.shifts {
		cursor: ew-resize;
		touch-action: none;
	}
</style>
