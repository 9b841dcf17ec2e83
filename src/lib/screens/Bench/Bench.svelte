<script lang="ts">
	import { untrack } from 'svelte';
	import { lineStarts, placeAt } from '$lib/core/text/index.ts';
	import { jump } from '$lib/core/media/index.ts';
	import { PLAIN } from '$lib/core/vantage.ts';
	import { carriage, RANGE } from '$lib/state/carriage.svelte.ts';
	import type { KeyMap, Press } from '$lib/state/keys.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import type { SiteState } from '$lib/state/site.svelte.ts';
	import { openStages, type Stages } from '$lib/state/stages.svelte.ts';
	import type { StageConfig } from '$lib/stage/client/stage.ts';
	import Measure from '$lib/ui/measure/Measure.svelte';
	import type { Place } from '$lib/ui/measure/places.ts';
	import Splitter from '$lib/ui/Splitter.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import Frames from './Frames.svelte';
	import { layFrames, leadViewport } from './layout.ts';
	import Sheet from './Sheet.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		/** The file in the sheet's panel, and a wish for another. */
		file: string;
		onfile: (path: string) => void;
		config: StageConfig;
		/** Keys that work on this screen are put here. */
		bindKeys: (keys: KeyMap) => void;
		onpress: (press: Press) => void;
	}

	let { site, page, file, onfile, config, bindKeys, onpress }: Props = $props();

	const PANEL = 'vantaggio-panel';
	let panel = $state(Number(localStorage.getItem(PANEL)) || 486);
	let tableWidth = $state(700);
	let tableHeight = $state(500);
	const room = $derived({ width: tableWidth, height: tableHeight });
	const chorus = $derived(site.vantages.filter((vantage) => vantage.chorus).map(({ fields }) => fields));
	const small = $derived(
		chorus.map(({ name, width, height, density }) => ({ name, viewport: { width, height, density } }))
	);
	const viewport = $derived(leadViewport(room, carriage.width, small));
	const frames = $derived(layFrames(room, viewport, small));
	const lead = $derived({ ...PLAIN, name: 'Carriage', ...viewport });
	const bands = $derived(page.bands(lead));
	let goto = $state.raw<{ path: string; offset: number } | null>(null);

	const paths = $derived.by(() => {
		const used = page.sheets.flatMap(({ from }) => (from.kind === 'file' ? [from.path] : []));
		const sheets = [...site.texts.values()].filter(({ kind }) => kind === 'sheet').map(({ path }) => path);
		return [...new Set([...used.toReversed(), page.path, ...sheets])].filter((path) => site.texts.has(path));
	});
	const shown = $derived(site.texts.get(paths.includes(file) ? file : (paths[0] ?? page.path)));
	const rules = $derived(shown ? page.force(shown.path, lead) : []);
	const inForce = $derived({ rules, width: carriage.width, range: RANGE });
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

	let stages = $state.raw<Stages | null>(null);
	let failure = $state<string | null>(null);

	/** Opens the stages over an element, for as long as it is there. */
	function table(parent: HTMLElement): () => void {
		let gone = false;
		untrack(() => openStages(parent, site.id, config, onpress)).then(
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
		localStorage.setItem(IN_STEP, inStep ? 'yes' : 'no');
	});

	/** Brings the frames to what is written and where the carriage stands. */
	function showFrames(): void {
		if (!stages) return;
		const { prefix } = stages;
		const shown = stages.live.show({
			placements: frames,
			pageOf: (frame) => page.content(prefix, chorus.find(({ name }) => name === frame) ?? lead)
		});
		void shown.then((at) => {
			if (at > 0) performance.mark('vantaggio: frames painted', { startTime: at - performance.timeOrigin });
		});
	}

	$effect.pre(showFrames);

	const step = (by: number) => (press: Press) => (carriage.width += press.shift ? 10 * by : by);

	$effect(() => {
		bindKeys({
			n: step(-1),
			w: step(1),
			b: ({ shift }) => (carriage.width = jump(bands.bands, carriage.width, shift ? -1 : 1, RANGE))
		});
		return () => bindKeys({});
	});
</script>

<Measure
	{bands}
	others={page.conditions.others}
	width={carriage.width}
	range={RANGE}
	vantages={site.vantages.map(({ fields }) => fields)}
	onwidth={(width) => (carriage.width = width)}
	onplace={show}
	{placeOf}
/>
<main style:grid-template-columns="minmax(0, 1fr) 1px min({panel}px, 46%)">
	<section class="frames" aria-label="Frames" bind:clientWidth={tableWidth} bind:clientHeight={tableHeight}>
		<div class="table" {@attach table}></div>
		{#if failure}<p class="failure" role="alert">{failure}</p>{/if}
		<label class="step"><input type="checkbox" bind:checked={inStep} /> scroll in step</label>
		<Frames {page} {frames} {lead} {chorus} {placeOf} onwidth={(width) => (carriage.width = width)} />
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
		{#if shown}<Sheet file={shown} {inForce} {goto} onedit={showFrames} />{/if}
	</section>
</main>

<style>
	main {
		grid-area: work;
		display: grid;
		min-height: 0;
	}

	.frames {
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

	.step {
		position: absolute;
		right: 14px;
		bottom: 6px;
		z-index: 1;
		display: flex;
		gap: 6px;
		align-items: center;
		min-height: 24px;
		color: var(--ink-2);
		font-size: 13px;
	}

	.step input {
		width: 16px;
		height: 16px;
		margin: 0;
		accent-color: var(--ink);
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
