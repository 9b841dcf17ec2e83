<script lang="ts">
	import type { Framing } from './framing.svelte.ts';
	import type { Laid } from './layout.ts';

	interface Props {
		framing: Framing;
		/** The lead, of which a part is visible. */
		lead: Laid;
	}

	let { framing, lead }: Props = $props();

	/** Height of a tooth, and how wide one is, px. */
	const [DEEP, WIDE] = [6, 14];
	const teeth = $derived(
		`l${WIDE / 2} ${-DEEP}l${WIDE / 2} ${DEEP}`.repeat(Math.ceil(lead.drawnWidth / WIDE))
	);
	const above = $derived(Math.round(lead.part?.top ?? 0));
	const below = $derived(lead.part ? Math.round(lead.viewport.height - lead.part.height - lead.part.top) : 0);
</script>

{#snippet edge(side: string, beyond: string, direction: 1 | -1)}
	<div class={side}>
		<svg width="100%" height={DEEP} aria-hidden="true"><path d="M0 {DEEP}{teeth}z" /></svg>
		<button
			type="button"
			title="Shift and the wheel, or Shift Page Down and Page Up. = shows the whole viewport, smaller."
			onclick={() => framing.panOn(direction)}
		>
			{beyond} <kbd>⇧ wheel</kbd>
		</button>
	</div>
{/snippet}

<div
	class="edges"
	style:left="{lead.left}px"
	style:top="{lead.top}px"
	style:width="{lead.drawnWidth}px"
	style:height="{lead.drawnHeight}px"
>
	{#if above >= 1}{@render edge('top', `${above} px more above`, -1)}{/if}
	{#if below >= 1}{@render edge('bottom', `${below} px more of this viewport`, 1)}{/if}
</div>

<style>
	.edges,
	.edges div {
		position: absolute;
		pointer-events: none;
	}

	.edges div {
		right: 0;
		left: 0;
	}

	.edges .top {
		top: 0;
	}

	.edges .bottom {
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
		max-width: calc(100% - 1rem);
		padding: 0.125rem 0.5rem;
		overflow: hidden;
		border: 1px solid var(--hair);
		background: var(--sheet);
		color: var(--ink-2);
		font-size: 0.8125rem;
		text-overflow: ellipsis;
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
