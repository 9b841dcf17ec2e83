<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		left: number;
		top: number;
		width: number;
		height: number;
		/** The maximum width of the words under the frame, px. */
		room?: number;
		/** The words under the frame. */
		children: Snippet;
	}

	let { left, top, width, height, room, children }: Props = $props();
</script>

<div
	class="frame"
	style:left="{left}px"
	style:top="{top}px"
	style:width="{width}px"
	style:height="{height}px"
>
	<i class="nw"></i><i class="ne"></i><i class="sw"></i><i class="se"></i>
	<div class="words" style:max-width={room === undefined ? null : `${room}px`}>{@render children()}</div>
</div>

<style>
	.frame {
		position: absolute;
		outline: 1px solid var(--hair);
		pointer-events: none;
	}

	i {
		position: absolute;
		width: 0.4375rem;
		height: 1px;
		background: var(--ink);
	}

	.nw,
	.sw {
		right: calc(100% + 3px);
	}

	.ne,
	.se {
		left: calc(100% + 3px);
	}

	.nw,
	.ne {
		top: 0;
	}

	.sw,
	.se {
		bottom: 0;
	}

	.words {
		position: absolute;
		top: 100%;
		left: 0;
		display: flex;
		align-items: baseline;
		gap: 0.5rem;
		min-height: 1.75rem;
		padding-top: 0.25rem;
		white-space: nowrap;
		pointer-events: auto;
	}
</style>
