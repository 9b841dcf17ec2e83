<script lang="ts">
	import { heightThresholds } from '$lib/core/media/index.ts';
	import { heightUses } from '$lib/core/page/index.ts';
	import { figure } from '$lib/core/box/index.ts';
	import { heightsOf } from '$lib/core/vantage/index.ts';
	import { HEIGHTS } from '$lib/session/carriage.svelte.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import { slid } from '$lib/ui/slide.ts';
	import { textScale } from '$lib/ui/textScale.ts';
	import type { Laid } from './layout.ts';
	import { axisEnd, heightMarks } from './heightMarks.ts';
	import type { FramesView } from './view.svelte.ts';

	interface Props {
		view: FramesView;
		/** The lead, on whose right side it is. */
		lead: Laid;
	}

	let { view, lead }: Props = $props();
	const { page, site } = $derived(view.workbench);

	const height = $derived(lead.viewport.height);
	const thresholds = $derived(heightThresholds(page.conditions.media, view.lead));
	/** Sheets are searched when idle, because it would slow down typing. */
	const REST = 400;
	const rested = later({
		question: () => page.conditions,
		about: () => page.path,
		rest: REST,
		ask: (conditions) => Promise.resolve({ conditions, sources: page.sources })
	});
	const uses = $derived(
		rested.value ? heightUses(rested.value.conditions, rested.value.sources, view.lead) : []
	);
	const vantages = $derived(
		site.vantages.list.map(({ fields }) => ({ name: fields.name, height: heightsOf(fields).dynamic }))
	);
	const marks = $derived(heightMarks(thresholds, uses, vantages, view.placeOf));

	/** The axis's end at the start of a drag, during which it stays. */
	let held = $state<{ readonly end: number; readonly grip: number } | null>(null);
	const end = $derived(held?.end ?? axisEnd(height, marks));
	const y = (at: number): number => (Math.min(at, end) / end) * lead.drawnHeight;

	/** Space for the words of a mark, px. */
	const WORDS = 15 * textScale;
	/** Words are shown where no more important ones are. */
	const shown = $derived.by(() => {
		const taken = [y(height)];
		return marks
			.filter(({ at }) => at > 0 && at <= end)
			.map((mark) => {
				const at = y(mark.at);
				const fits = mark.words !== '' && taken.every((one) => Math.abs(one - at) >= WORDS);
				if (fits) taken.push(at);
				return { ...mark, y: at, fits };
			});
	});

	function take(event: PointerEvent & { currentTarget: HTMLElement }): void {
		event.currentTarget.setPointerCapture(event.pointerId);
		held = { end, grip: event.clientY - y(height) };
	}
	function drag({ clientY }: PointerEvent): void {
		if (held) view.framing.setHeight(((clientY - held.grip) / lead.drawnHeight) * held.end);
	}
	const drop = (): void => void (held = null);
	function step(event: KeyboardEvent): void {
		const to = slid(event, height, [HEIGHTS[0], end], true);
		if (to === undefined) return;
		event.preventDefault();
		view.framing.setHeight(to);
	}
</script>

<section
	class="heights"
	aria-label="Heights of the window"
	style:left="{lead.left + lead.drawnWidth + 8}px"
	style:top="{lead.top}px"
	style:height="{lead.drawnHeight}px"
>
	<div class="bar"><div class="filled" style:height="{y(height)}px"></div></div>
	{#each shown as { kind, at, words, title, place, fits, y: top } (`${kind} ${at} ${title}`)}
		<button
			type="button"
			class={kind}
			tabindex="-1"
			style:top="{top}px"
			{title}
			aria-label={title.split('\n')[0]}
			onclick={() =>
				place ? view.toPlace({ path: place.file, offset: place.span.start }) : view.framing.setHeight(at)}
		>
			<i></i>{#if fits}<span>{words}</span>{/if}
		</button>
	{/each}
	<div
		class="stop"
		role="slider"
		tabindex="0"
		aria-label="Height of the window"
		aria-orientation="vertical"
		aria-valuemin={HEIGHTS[0]}
		aria-valuemax={HEIGHTS[1]}
		aria-valuenow={Math.round(height)}
		aria-valuetext="{figure(height)} px high"
		title="Height of the window, {figure(height)} px: drag it, or arrow keys"
		style:top="{y(height)}px"
		onpointerdown={take}
		onpointermove={drag}
		onpointerup={drop}
		onpointercancel={drop}
		onkeydown={step}
	></div>
</section>

<style>
	.heights {
		position: absolute;
		width: 2.75rem;
		pointer-events: none;
	}

	.bar {
		position: absolute;
		inset: 0 auto 0 0.1875rem;
		width: 0.5rem;
		border: 1px solid var(--ink-2);
		background: var(--sheet);
	}

	.filled {
		background: var(--filled);
	}

	button {
		position: absolute;
		left: 0.1875rem;
		display: flex;
		gap: 0.25rem;
		align-items: center;
		min-width: 1rem;
		height: 1rem;
		padding: 0;
		translate: 0 -50%;
		border: 0;
		background: none;
		color: var(--ink-2);
		font: 0.75rem/1 var(--mono);
		white-space: nowrap;
		cursor: pointer;
		pointer-events: auto;
	}

	button:hover span {
		text-decoration: underline;
	}

	i {
		width: 0.5rem;
		height: 1.5px;
		background: currentcolor;
	}

	.threshold {
		color: var(--ink);
		font-weight: 600;
	}

	.threshold i {
		width: 0.75rem;
	}

	.length i {
		margin-left: 0.25rem;
		width: 0.375rem;
		height: 1px;
	}

	.vantage i {
		width: 0;
		height: 0;
		margin-left: 0.5625rem;
		border: 4px solid transparent;
		border-left: 0;
		border-right-color: var(--blue);
		background: none;
	}

	.stop {
		position: absolute;
		left: 0;
		width: 0.875rem;
		height: 0.75rem;
		translate: 0 -50%;
		border: 1px solid var(--brass-line);
		border-radius: 2px;
		background: linear-gradient(var(--brass-line), var(--brass-line)) 50% / 0.5rem 1px no-repeat var(--brass);
		cursor: ns-resize;
		touch-action: none;
		pointer-events: auto;
	}

	.stop::before {
		content: '';
		position: absolute;
		inset: -0.375rem -0.3125rem;
	}
</style>
