<script lang="ts">
	interface Props {
		/** The side at which the viewport goes on. */
		side: 'top' | 'bottom';
		/** How much of the viewport is beyond it, CSS px. */
		beyond: number;
		onpan: () => void;
	}

	let { side, beyond, onpan }: Props = $props();

	/** Height of a tooth, and how wide one is, px. */
	const [DEEP, WIDE] = [6, 14];
	let room = $state(0);
	const teeth = $derived(`l${WIDE / 2} ${-DEEP}l${WIDE / 2} ${DEEP}`.repeat(Math.ceil(room / WIDE)));
</script>

<div class="edge {side}" bind:clientWidth={room}>
	<svg width="100%" height={DEEP} aria-hidden="true"><path d="M0 {DEEP}{teeth}z" /></svg>
	<button
		type="button"
		title="Shift and the wheel, or Shift Page Down and Page Up. = shows the whole viewport, smaller."
		onclick={onpan}
	>
		{beyond} px more {side === 'bottom' ? 'of this viewport' : 'above'} <kbd>⇧ wheel</kbd>
	</button>
</div>

<style>
	.edge {
		position: absolute;
		right: 0;
		left: 0;
		height: 0;
		pointer-events: none;
	}

	.top {
		top: 0;
	}

	.bottom {
		bottom: 0;
	}

	svg {
		position: absolute;
		left: 0;
		fill: var(--paper);
	}

	.bottom svg {
		bottom: -1px;
	}

	.top svg {
		top: -1px;
		scale: 1 -1;
	}

	button {
		position: absolute;
		right: 0.5rem;
		padding: 0.125rem 0.5rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		color: var(--ink-2);
		font-size: 0.8125rem;
		white-space: nowrap;
		cursor: pointer;
		pointer-events: auto;
	}

	button:hover {
		color: var(--ink);
	}

	kbd {
		margin-left: 0.25rem;
		padding: 0 0.25rem;
		border: 1px solid var(--hair);
		font: 0.75rem/1 var(--mono);
	}

	.bottom button {
		bottom: 0.75rem;
	}

	.top button {
		top: 0.75rem;
	}
</style>
