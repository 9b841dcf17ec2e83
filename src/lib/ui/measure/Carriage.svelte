<script lang="ts">
	import { printInterval } from '$lib/core/interval/index.ts';
	import type { Band } from '$lib/core/media/index.ts';
	import PxField from '../PxField.svelte';
	import { slid } from '../slide.ts';

	interface Props {
		width: number;
		range: readonly [number, number];
		/** The position of the stop on the bar, px. */
		at: number;
		toWidth: (px: number) => number;
		band: Band;
		onwidth: (width: number) => void;
	}

	let { width, range, at, toWidth, band, onwidth }: Props = $props();

	let grip = $state<number | null>(null);

	function take(event: PointerEvent & { currentTarget: HTMLElement }): void {
		event.currentTarget.setPointerCapture(event.pointerId);
		grip = event.clientX - at;
	}

	function drag(event: PointerEvent): void {
		if (grip !== null) onwidth(toWidth(event.clientX - grip));
	}

	function step(event: KeyboardEvent): void {
		const to = slid(event, width, range);
		if (to === undefined) return;
		event.preventDefault();
		onwidth(to);
	}
</script>

<div
	class="stop"
	class:held={grip !== null}
	style:left="{at}px"
	role="slider"
	tabindex="0"
	aria-label="Carriage"
	aria-valuemin={range[0]}
	aria-valuemax={range[1]}
	aria-valuenow={width}
	aria-valuetext="{width} px, band {band.letter}, {printInterval(band.interval)}"
	onpointerdown={take}
	onpointermove={drag}
	onpointerup={() => (grip = null)}
	onpointercancel={() => (grip = null)}
	onkeydown={step}
></div>
<label class:left={at > 900} style:left="{at}px">
	<PxField value={width} label="Width of the carriage, px" onvalue={onwidth} />
	<span>px</span>
</label>

<style>
	.stop {
		position: absolute;
		top: -0.375rem;
		z-index: 2;
		width: 0.875rem;
		height: 2.375rem;
		translate: -50% 0;
		border: 1px solid var(--brass-line);
		border-radius: 2px;
		background:
			linear-gradient(var(--brass-line), var(--brass-line)) 0.25rem 50% / 1px 1.625rem no-repeat,
			linear-gradient(var(--brass-line), var(--brass-line)) 0.4375rem 50% / 1px 1.625rem no-repeat,
			var(--brass);
		cursor: ew-resize;
		touch-action: none;
	}

	.stop::before {
		content: '';
		position: absolute;
		inset: 0 -0.375rem;
	}

	label {
		position: absolute;
		top: 1px;
		z-index: 1;
		display: flex;
		gap: 0.3125rem;
		align-items: center;
		height: 1.5rem;
		margin-left: 0.625rem;
		padding-right: 0.375rem;
		background: var(--sheet);
		font: 600 0.875rem/1 var(--mono);
	}

	label.left {
		translate: -100% 0;
		margin-left: -0.625rem;
	}
</style>
