<script lang="ts">
	import { figure as px } from '$lib/core/box/index.ts';
	import { printInterval } from '$lib/core/interval/index.ts';
	import { bandAt, type MediaSite } from '$lib/core/media/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import CropMarks from '$lib/ui/CropMarks.svelte';
	import type { SeenFrame } from './framing.svelte.ts';

	interface Props {
		page: PageState;
		frames: readonly SeenFrame[];
		lead: SeenVantage;
		/** What the lead is called: a vantage's name, or the carriage. */
		leadName: string;
		onvantage: (name: string) => void;
		/** A chorus frame is to be drawn larger or smaller, or to change places. */
		onresize: (name: string, by: number) => void;
		onmove: (name: string, by: number) => void;
		placeOf: (cause: MediaSite) => string;
	}

	let { page, frames, lead, leadName, onvantage, onresize, onmove, placeOf }: Props = $props();

	const TOOLS: readonly (readonly [string, string, (name: string) => void])[] = [
		['−', 'Smaller', (name) => onresize(name, -1)],
		['+', 'Larger', (name) => onresize(name, 1)],
		['‹', 'Earlier in the row', (name) => onmove(name, -1)],
		['›', 'Later in the row', (name) => onmove(name, 1)]
	];

	const percent = (scale: number): string => `${Math.round(scale * 100)} %`;
	const conditions = (sites: readonly MediaSite[]): string =>
		sites.map((one) => `${one.text} (${placeOf(one)})`).join('\n');
</script>

{#each frames as { frame, left, top, scale, viewport, drawnWidth, drawnHeight, vantage } (frame)}
	{@const band = bandAt(page.bands(vantage).bands, viewport.width)}
	{@const others = page.differing(lead, vantage)}
	<CropMarks {left} {top} width={drawnWidth} height={drawnHeight}>
		{#if frame === 'lead'}
			<b>{leadName}</b>
			<span class="figures">{viewport.width} × {px(viewport.height)} · {percent(scale)}</span>
			<span class="figures">{band.letter} {printInterval(band.interval)}</span>
		{:else}
			<button
				type="button"
				onclick={() => onvantage(vantage.name)}
				title="Make the lead {vantage.name}, the carriage at {px(viewport.width)} px"
			>
				<b>{vantage.name}</b> <span class="figures">{px(viewport.width)}</span>
			</button>
			<span class="figures">{band.letter}</span>
			{#if others.length > 0}
				<span
					class="other"
					title="Its bands are not the Measure’s; other widths here:&#10;{conditions(others)}"
					>≠ {others.length}</span
				>
			{/if}
			<span class="tools" role="group" aria-label="Frame of {vantage.name}">
				{#each TOOLS as [sign, words, act] (words)}
					<button type="button" title={words} aria-label={words} onclick={() => act(vantage.name)}
						>{sign}</button
					>
				{/each}
			</span>
		{/if}
	</CropMarks>
{/each}

<style>
	b {
		font-weight: 700;
	}

	.figures {
		color: var(--ink-2);
		font: 13px/1.2 var(--mono);
	}

	button {
		min-height: 24px;
		padding: 0;
		border: 0;
		background: none;
		cursor: pointer;
	}

	button:hover b {
		color: var(--blue);
		text-decoration: underline;
	}

	.tools {
		display: flex;
		opacity: 0;
	}

	.tools:is(:hover, :focus-within),
	:global(.words:hover) .tools {
		opacity: 1;
	}

	.tools button {
		width: 24px;
		font: 15px/1 var(--mono);
	}

	.tools button:hover {
		background: var(--pick);
	}

	.other {
		color: var(--ochre);
		font: 600 13px/1.2 var(--mono);
		cursor: help;
	}
</style>
