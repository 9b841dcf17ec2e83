<script lang="ts">
	import { figure as px, type Part } from '$lib/core/box/index.ts';

	interface Props {
		parts: readonly Part[];
		/** The name of the size, where it is to be shown. */
		name?: string;
		/** The sum of the parts, CSS px. */
		sum: number;
		/** The room available for them, CSS px; null where it is unknown. */
		room: number | null;
		/**
		 * Called while a part is pulled, with how much longer it is to be than at the start, CSS px; undefined where it
		 * cannot be pulled.
		 */
		onpull?: ((part: Part, by: number, begins: boolean) => void) | undefined;
	}

	let { parts, name = '', sum, room, onpull }: Props = $props();

	const whole = $derived(Math.max(sum, room ?? 0, 1));
	const over = $derived(room === null ? 0 : sum - room);
	/** The rounding of layout, px: boxes are aligned to 64ths. */
	const LEAST = 1 / 32;
	const share = (length: number): string => `${(100 * Math.max(0, length)) / whole}%`;

	let bar: HTMLElement;
	let pulled: { readonly part: Part; readonly x: number; readonly scale: number; moved: boolean } | null =
		null;

	function take(event: PointerEvent & { currentTarget: HTMLElement }, part: Part): void {
		if (!onpull || event.button !== 0) return;
		event.currentTarget.setPointerCapture(event.pointerId);
		pulled = { part, x: event.clientX, scale: whole / Math.max(1, bar.clientWidth), moved: false };
	}

	function move({ clientX }: PointerEvent): void {
		if (!pulled || (!pulled.moved && clientX === pulled.x)) return;
		const by = Math.round((clientX - pulled.x) * pulled.scale);
		// Parts after the content grow towards it.
		onpull?.(pulled.part, /right|bottom/.test(pulled.part.property) ? -by : by, !pulled.moved);
		pulled.moved = true;
	}
</script>

<figure>
	<div class="bar" class:pulls={onpull} aria-hidden="true" bind:this={bar}>
		{#each parts as part, i (i)}
			<span
				class={part.of}
				style:width={share(part.length)}
				title="{part.of} {px(part.length)}{onpull ? ': pull to try another' : ''}"
				role="presentation"
				onpointerdown={(event) => take(event, part)}
				onpointermove={move}
				onpointerup={() => (pulled = null)}
				onpointercancel={() => (pulled = null)}
			></span>
		{/each}
		{#if room !== null}<i style:left={share(room)}></i>{/if}
	</div>
	<figcaption>
		{#if name}{name}:{/if}
		{parts.map(({ of, length }) => `${of} ${px(length)}`).join(' + ')} = <b>{px(sum)}</b>
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

	.pulls span {
		min-width: 3px;
		cursor: ew-resize;
		touch-action: none;
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
