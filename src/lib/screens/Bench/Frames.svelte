<script lang="ts">
	import { printInterval } from '$lib/core/interval/index.ts';
	import { bandAt, type MediaSite } from '$lib/core/media/index.ts';
	import type { Vantage } from '$lib/core/vantage.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import CropMarks from '$lib/ui/CropMarks.svelte';
	import type { Laid } from './layout.ts';

	interface Props {
		page: PageState;
		frames: readonly Laid[];
		lead: Vantage;
		chorus: readonly Vantage[];
		onwidth: (width: number) => void;
		placeOf: (cause: MediaSite) => string;
	}

	let { page, frames, lead, chorus, onwidth, placeOf }: Props = $props();

	const vantageOf = (name: string): Vantage => chorus.find((vantage) => vantage.name === name) ?? lead;
	const percent = (scale: number): string => `${Math.round(scale * 100)} %`;
	const conditions = (sites: readonly MediaSite[]): string =>
		sites.map((one) => `${one.text} (${placeOf(one)})`).join('\n');
</script>

{#each frames as { frame, left, top, scale, viewport, drawnWidth, drawnHeight } (frame)}
	{@const vantage = vantageOf(frame)}
	{@const band = bandAt(page.bands(vantage).bands, viewport.width)}
	{@const others = page.differing(lead, vantage)}
	<CropMarks {left} {top} width={drawnWidth} height={drawnHeight}>
		{#if frame === 'lead'}
			<b>Carriage</b>
			<span class="figures">{viewport.width} × {viewport.height} · {percent(scale)}</span>
			<span class="figures">{band.letter} {printInterval(band.interval)}</span>
		{:else}
			<button
				type="button"
				onclick={() => onwidth(viewport.width)}
				title="Bring the carriage to {viewport.width} px"
			>
				<b>{frame}</b> <span class="figures">{viewport.width}</span>
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
