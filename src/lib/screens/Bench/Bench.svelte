<script lang="ts">
	import { lineStarts, placeAt } from '$lib/core/text/index.ts';
	import { jump, type MediaSite } from '$lib/core/media/index.ts';
	import { PLAIN } from '$lib/core/vantage.ts';
	import { carriage, RANGE } from '$lib/state/carriage.svelte.ts';
	import type { KeyMap, Press } from '$lib/state/keys.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import type { SiteState } from '$lib/state/site.svelte.ts';
	import type { StageConfig } from '$lib/stage/client/stage.ts';
	import Measure from '$lib/ui/measure/Measure.svelte';
	import Splitter from '$lib/ui/Splitter.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import Frames from './Frames.svelte';
	import { leadViewport } from './layout.ts';
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
	const lead = $derived({ ...PLAIN, name: 'Carriage', ...leadViewport(room, carriage.width) });
	const bands = $derived(page.bands(lead));
	let goto = $state.raw<{ path: string; offset: number } | null>(null);

	const paths = $derived.by(() => {
		const used = page.sheets.flatMap(({ from }) => (from.kind === 'file' ? [from.path] : []));
		const sheets = [...site.texts.values()].filter(({ kind }) => kind === 'sheet').map(({ path }) => path);
		return [...new Set([...used.toReversed(), page.path, ...sheets])].filter((path) => site.texts.has(path));
	});
	const shown = $derived(site.texts.get(paths.includes(file) ? file : (paths[0] ?? page.path)));
	const tabs = $derived(
		paths.map((path) => ({
			id: path,
			name: path.replace(/^.*\//, ''),
			title: path,
			mark: site.texts.get(path)?.dirty ? '•' : ''
		}))
	);

	const placeOf = (cause: MediaSite): string => {
		const text = page.sources.text(cause.file) ?? '';
		return `${cause.file.replace(/^.*\//, '')}:${placeAt(lineStarts(text), cause.span.start).line}`;
	};

	function show(cause: MediaSite): void {
		onfile(cause.file);
		goto = { path: cause.file, offset: cause.span.start };
	}

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
	width={carriage.width}
	range={RANGE}
	vantages={site.vantages.map(({ fields }) => fields)}
	onwidth={(width) => (carriage.width = width)}
	oncause={show}
	{placeOf}
/>
<main style:grid-template-columns="minmax(0, 1fr) 1px {panel}px">
	<section class="frames" aria-label="Frames" bind:clientWidth={tableWidth} bind:clientHeight={tableHeight}>
		<Frames
			{site}
			{page}
			{lead}
			{config}
			{room}
			{onpress}
			{placeOf}
			width={carriage.width}
			onwidth={(width) => (carriage.width = width)}
		/>
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
		{#if shown}<Sheet file={shown} {goto} />{/if}
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

	.panel {
		display: flex;
		flex-direction: column;
		min-width: 0;
		min-height: 0;
		background: var(--sheet);
	}
</style>
