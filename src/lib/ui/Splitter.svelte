<script lang="ts">
	interface Props {
		label: string;
		/** The width of what lies to the right, px. */
		size: number;
		min: number;
		max: number;
		onsize: (size: number) => void;
	}

	let { label, size, min, max, onsize }: Props = $props();

	let from = $state<{ x: number; size: number } | null>(null);

	const set = (to: number): void => onsize(Math.round(Math.min(max, Math.max(min, to))));

	function step(event: KeyboardEvent): void {
		const by = { ArrowLeft: 16, ArrowRight: -16 }[event.key];
		if (by === undefined) return;
		event.preventDefault();
		set(size + by);
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions (a focusable separator is a widget: WAI-ARIA 1.2) -->
<div
	role="separator"
	tabindex="0"
	aria-orientation="vertical"
	aria-label={label}
	aria-valuenow={size}
	aria-valuemin={min}
	aria-valuemax={max}
	onpointerdown={(event) => {
		event.currentTarget.setPointerCapture(event.pointerId);
		from = { x: event.clientX, size };
	}}
	onpointermove={(event) => {
		if (from) set(from.size + from.x - event.clientX);
	}}
	onpointerup={() => (from = null)}
	onpointercancel={() => (from = null)}
	onkeydown={step}
></div>

<style>
	div {
		position: relative;
		width: 1px;
		background: var(--hair);
		cursor: ew-resize;
		touch-action: none;
	}

	div::before {
		content: '';
		position: absolute;
		inset: 0 -5px;
		z-index: 3;
	}

	div:hover,
	div:focus-visible {
		background: var(--ink);
	}
</style>
