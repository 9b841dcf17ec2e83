<script lang="ts">
	import { figure as px, type Part } from '$lib/core/box/index.ts';

	interface Props {
		parts: readonly Part[];
		/** The sum of the parts, CSS px. */
		sum: number;
		/** The width there is for them, CSS px; null where it cannot be told. */
		room: number | null;
	}

	let { parts, sum, room }: Props = $props();

	const whole = $derived(Math.max(sum, room ?? 0, 1));
	const over = $derived(room === null ? 0 : sum - room);
	/** What the rounding of layout may leave, px: boxes lie on 64ths. */
	const LEAST = 1 / 32;
	const share = (length: number): string => `${(100 * Math.max(0, length)) / whole}%`;
</script>

<figure>
	<div class="bar" aria-hidden="true">
		{#each parts as { of, width }, i (i)}
			<span class={of} style:width={share(width)} title="{of} {px(width)}"></span>
		{/each}
		{#if room !== null}<i style:left={share(room)}></i>{/if}
	</div>
	<figcaption>
		{parts.map(({ of, width }) => `${of} ${px(width)}`).join(' + ')} = <b>{px(sum)}</b>
		{#if room !== null}
			{#if over > LEAST}<em>{px(over)} px more than the {px(room)} there are</em>
			{:else}of {px(room)}{/if}
		{/if}
	</figcaption>
</figure>

<style>
	figure {
		margin: 0.5rem 0;
	}

	.bar {
		position: relative;
		display: flex;
		height: 0.875rem;
		background: var(--filled);
	}

	span {
		border-block: 1px solid var(--ink);
	}

	.content {
		background: var(--ink-2);
	}

	.padding {
		background: repeating-linear-gradient(45deg, var(--ink) 0 1px, transparent 1px 0.3125rem);
	}

	.border {
		background: var(--ink);
	}

	.margin {
		border-top-color: transparent;
		border-bottom-style: dashed;
	}

	i {
		position: absolute;
		top: -3px;
		bottom: -3px;
		border-left: 2px solid var(--ink);
	}

	figcaption {
		margin-top: 3px;
		color: var(--ink-2);
		font: 0.8125rem/1.4 var(--mono);
	}

	figcaption b {
		color: var(--ink);
	}

	em {
		color: var(--rubric);
		font-style: normal;
	}
</style>
