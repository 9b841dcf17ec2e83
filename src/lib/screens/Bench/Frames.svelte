<script lang="ts">
	import { onMount } from 'svelte';
	import { printInterval } from '$lib/core/interval/index.ts';
	import { bandAt, type MediaSite } from '$lib/core/media/index.ts';
	import type { Vantage } from '$lib/core/vantage.ts';
	import type { Press } from '$lib/state/keys.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import type { SiteState } from '$lib/state/site.svelte.ts';
	import { openStages, type Stages } from '$lib/state/stages.svelte.ts';
	import type { StageConfig } from '$lib/stage/client/stage.ts';
	import CropMarks from '$lib/ui/CropMarks.svelte';
	import { layFrames, leadViewport, type Room } from './layout.ts';

	interface Props {
		site: SiteState;
		page: PageState;
		width: number;
		/** The lead's vantage; its size is the carriage's and the room's. */
		lead: Vantage;
		config: StageConfig;
		room: Room;
		onwidth: (width: number) => void;
		onpress: (press: Press) => void;
		placeOf: (cause: MediaSite) => string;
	}

	let { site, page, width, lead, config, room, onwidth, onpress, placeOf }: Props = $props();

	const chorus = $derived(site.vantages.filter((vantage) => vantage.chorus).map(({ fields }) => fields));
	const frames = $derived(
		layFrames(
			room,
			leadViewport(room, width),
			chorus.map(({ name, width, height, density }) => ({ name, viewport: { width, height, density } }))
		)
	);
	const vantageOf = (name: string): Vantage => chorus.find((vantage) => vantage.name === name) ?? lead;

	let table: HTMLElement;
	let stages = $state.raw<Stages | null>(null);
	let failure = $state<string | null>(null);

	onMount(() => {
		let gone = false;
		openStages(table, site.id, config, (press) => onpress(press)).then(
			(opened) => (gone ? opened.close() : (stages = opened)),
			(error: unknown) => (failure = error instanceof Error ? error.message : String(error))
		);
		return () => {
			gone = true;
			stages?.close();
		};
	});

	$effect(() => {
		if (!stages) return;
		const { prefix } = stages;
		void stages.live.show({
			placements: frames,
			page: { address: page.address(prefix), html: page.inert, sheets: page.sheetTexts(prefix) }
		});
	});

	const percent = (scale: number): string => `${Math.round(scale * 100)} %`;
	const conditions = (sites: readonly MediaSite[]): string =>
		sites.map((one) => `${one.text} (${placeOf(one)})`).join('\n');
</script>

<div class="table" bind:this={table}></div>
{#if failure}<p class="failure" role="alert">{failure}</p>{/if}
{#each frames as { frame, left, top, scale, viewport, drawnWidth, drawnHeight } (frame)}
	{@const vantage = vantageOf(frame)}
	{@const band = bandAt(page.bands({ ...vantage, ...viewport }).bands, viewport.width)}
	{@const others = frame === 'lead' ? [] : page.differing({ ...lead, ...frames[0]?.viewport }, vantage)}
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
	.table {
		position: absolute;
		inset: 0;
	}

	.table :global(iframe) {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		border: 0;
		color-scheme: light;
	}

	.failure {
		position: absolute;
		inset: 40% 40px auto;
		color: var(--rubric);
	}

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
