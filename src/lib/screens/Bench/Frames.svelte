<script lang="ts">
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
		placeOf: (cause: MediaSite) => string;
	}

	let { page, frames, lead, leadName, onvantage, placeOf }: Props = $props();

	const percent = (scale: number): string => `${Math.round(scale * 100)} %`;
	const px = (length: number): string => String(Math.round(length * 100) / 100);
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

	.other {
		color: var(--ochre);
		font: 600 13px/1.2 var(--mono);
		cursor: help;
	}
</style>
