<script lang="ts">
	import { untrack } from 'svelte';
	import { resolveAddress } from '$lib/core/site/index.ts';
	import { lineStarts, placeAt } from '$lib/core/text/index.ts';
	import { bandAt } from '$lib/core/media/index.ts';
	import { seenVantage } from '$lib/core/vantage/index.ts';
	import { carriage } from '$lib/state/carriage.svelte.ts';
	import type { KeyMap, Press } from '$lib/state/keys.ts';
	import { pageWords } from '$lib/state/complete.ts';
	import { hoverVantages } from '$lib/state/hover.ts';
	import { PageState } from '$lib/state/page.svelte.ts';
	import type { SiteState } from '$lib/state/site.svelte.ts';
	import { openStages, type Stages } from '$lib/state/stages.svelte.ts';
	import { viewing } from '$lib/state/viewing.svelte.ts';
	import type { StageConfig } from '$lib/stage/client/stage.ts';
	import Measure from '$lib/ui/measure/Measure.svelte';
	import type { Place } from '$lib/ui/measure/places.ts';
	import Splitter from '$lib/ui/Splitter.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import Frames from './Frames.svelte';
	import { benchKeys } from './benchKeys.ts';
	import FootBar from './FootBar.svelte';
	import { Framing, marked, placementOf } from './framing.svelte.ts';
	import Sheet from './Sheet.svelte';
	import SheetBar from './SheetBar.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		/** The file in the sheet's panel, and a wish for another. */
		file: string;
		onfile: (path: string) => void;
		/** Another page is wished for. */
		onpage: (path: string) => void;
		config: StageConfig;
		vantagesHref: string;
		/** Keys that work on this screen are put here. */
		bindKeys: (keys: KeyMap) => void;
		onpress: (press: Press) => void;
	}

	let { site, page, file, onfile, onpage, config, vantagesHref, bindKeys, onpress }: Props = $props();

	const PANEL = 'vantaggio-panel';
	let panel = $state(Number(localStorage.getItem(PANEL)) || 486);
	let tableWidth = $state(700);
	let tableHeight = $state(500);
	const framing = untrack(() => new Framing(site));
	$effect.pre(() => {
		framing.room = { width: tableWidth, height: tableHeight };
	});
	const saved = $derived(new PageState(site, page.path, 'saved'));
	const lead = $derived(framing.lead);
	const bands = $derived(page.bands(lead));
	let sheet = $state<Sheet>();
	let goto = $state.raw<{ path: string; offset: number } | null>(null);

	const paths = $derived.by(() => {
		const used = page.sheets.flatMap(({ from }) => (from.kind === 'file' ? [from.path] : []));
		const sheets = [...site.texts.values()].filter(({ kind }) => kind === 'sheet').map(({ path }) => path);
		return [...new Set([...used.toReversed(), page.path, ...sheets])].filter((path) => site.texts.has(path));
	});
	const shown = $derived(site.texts.get(paths.includes(file) ? file : (paths[0] ?? page.path)));
	const rules = $derived(shown ? page.force(shown.path, lead) : []);
	const said = $derived(shown ? page.said(shown.path, lead) : []);
	const inForce = $derived({ rules, said, width: carriage.width, range: carriage.range });
	const tabs = $derived(
		paths.map((path) => ({
			id: path,
			name: path.replace(/^.*\//, ''),
			title: path,
			mark: site.texts.get(path)?.dirty ? '•' : ''
		}))
	);

	const placeOf = (place: Place): string => {
		const text = page.sources.text(place.file) ?? '';
		return `${place.file.replace(/^.*\//, '')}:${placeAt(lineStarts(text), place.span.start).line}`;
	};

	function show(place: Place): void {
		onfile(place.file);
		goto = { path: place.file, offset: place.span.start };
	}

	$effect(() => {
		pageWords.of = () => page.words();
		hoverVantages.of = () => site.vantages.list.map(({ fields }) => seenVantage(fields, viewing.switches));
	});

	let stages = $state.raw<Stages | null>(null);
	let failure = $state<string | null>(null);

	/** Opens the page of a link that was used, where the site has it. */
	function openLink(href: string): void {
		const target = resolveAddress(href, page.path);
		if (target.kind === 'site' && site.texts.get(target.path)?.kind === 'page') onpage(target.path);
	}

	/** Opens the stages over an element, for as long as it is there. */
	function table(parent: HTMLElement): () => void {
		let gone = false;
		untrack(() => openStages(parent, site.id, config, onpress, openLink)).then(
			(opened) => (gone ? opened.close() : (stages = opened)),
			(error: unknown) => (failure = error instanceof Error ? error.message : String(error))
		);
		return () => {
			gone = true;
			stages?.close();
			stages = null;
		};
	}

	const IN_STEP = 'vantaggio-in-step';
	let inStep = $state(localStorage.getItem(IN_STEP) !== 'no');
	$effect(() => {
		stages?.keepInStep(inStep);
		stages?.use(viewing.use);
		stages?.lightTable(viewing.lightTable);
		localStorage.setItem(IN_STEP, inStep ? 'yes' : 'no');
	});

	/** Brings the frames to what is written and where the carriage stands. */
	function showFrames(): void {
		if (!stages) return;
		const { prefix } = stages;
		const from = viewing.before ? saved : page;
		// Read now, not when the stage is ready for it: what is read here is what brings the next scene.
		const contents = new Map(
			framing.frames.map(({ frame, vantage }) => [frame, from.content(prefix, vantage)])
		);
		const shown = stages.live.show({ placements: framing.frames.map(placementOf), contents });
		void shown.then((at) => {
			if (at > 0) performance.mark('vantaggio: frames painted', { startTime: at - performance.timeOrigin });
		});
	}

	$effect.pre(showFrames);

	$effect(() => {
		bindKeys({
			...benchKeys(site.vantages, () => bands),
			s: { name: 'Scroll in step, or not', does: () => (inStep = !inStep) },
			e: { name: 'To the sheet', does: () => sheet?.focus() }
		});
		return () => bindKeys({});
	});
</script>

<Measure
	{bands}
	others={page.conditions.others}
	width={carriage.width}
	range={carriage.range}
	vantages={marked(site)}
	onwidth={(width) => (carriage.width = width)}
	onplace={show}
	{placeOf}
/>
<main style:grid-template-columns="minmax(0, 1fr) 1px min({panel}px, 46%)">
	<section class="frames" aria-label="Frames">
		<div class="room" bind:clientWidth={tableWidth} bind:clientHeight={tableHeight}>
			<div class="table" {@attach table}></div>
			{#if failure}<p class="failure" role="alert">{failure}</p>{/if}
			<Frames
				{page}
				frames={framing.frames}
				{lead}
				leadName={viewing.lead ?? 'Carriage'}
				{placeOf}
				onvantage={(name) => viewing.choose(site.vantages.named(name) ?? null)}
			/>
		</div>
		<FootBar {site} bind:inStep {vantagesHref} />
	</section>
	<Splitter
		label="Width of the sheet"
		size={panel}
		min={280}
		max={900}
		onsize={(size) => {
			panel = size;
			localStorage.setItem(PANEL, String(size));
		}}
	/>
	<section class="panel" aria-label="Sheet">
		<Tabs label="Files of this page" {tabs} chosen={shown?.path ?? ''} onchoose={onfile} />
		{#if shown}
			<SheetBar file={shown} {bands} here={bandAt(bands.bands, lead.width)} onedit={showFrames} />
			<Sheet bind:this={sheet} file={shown} {inForce} {goto} onedit={showFrames} />
		{/if}
	</section>
</main>

<style>
	main {
		grid-area: work;
		display: grid;
		min-height: 0;
	}

	.frames {
		display: grid;
		grid-template-rows: minmax(0, 1fr) auto;
		min-width: 0;
	}

	.room {
		position: relative;
		min-width: 0;
		overflow: hidden;
	}

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

	.panel {
		display: flex;
		flex-direction: column;
		min-width: 0;
		min-height: 0;
		background: var(--sheet);
	}
</style>
