<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { onDestroy, untrack } from 'svelte';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { toNumber } from '$lib/core/interval/index.ts';
	import { bandAt, lengthContext } from '$lib/core/media/index.ts';
	import type { Workbench } from '$lib/session/workbench.ts';
	import { sweptAs } from '$lib/features/findings/sweeping.svelte.ts';
	import { checkedStyle, rootNote, stretchesIn } from '$lib/inquiry/textStyles.ts';
	import { tryEdit } from '$lib/session/trying.ts';
	import { Typesetting } from '$lib/features/type/typesetting.svelte.ts';
	import Guarded from '$lib/ui/Guarded.svelte';
	import FramesTable from '$lib/features/frames/FramesTable.svelte';
	import type { FramesView } from '$lib/features/frames/view.svelte.ts';
	import { lookingKeys } from '$lib/features/frames/lookingKeys.ts';
	import Chart from '$lib/features/type/Chart.svelte';
	import Head from '$lib/features/type/Head.svelte';
	import { Hung } from '$lib/features/type/hung.svelte.ts';
	import Panel from '$lib/features/type/Panel.svelte';
	import { SHOWN } from '$lib/features/type/shown.ts';
	import type { Tab } from '$lib/features/type/tabs.ts';
	import { typeKeys } from '$lib/features/type/typeKeys.ts';
	import TypeFoot from '$lib/features/type/TypeFoot.svelte';

	let { workbench, view }: { workbench: Workbench; view: FramesView } = $props();
	const { carriage, viewing } = getSite();
	const { site, page, selected } = $derived(workbench);
	const { show, select, bindKeys } = untrack(() => workbench);

	const { framing } = untrack(() => view);
	framing.few = true;
	onDestroy(() => (framing.few = false));
	const setting = untrack(() => new Typesetting(site));
	const { reading } = setting;
	const hung = new Hung(setting);
	const { lead, bands, stages } = $derived(view);
	let frames = $state<FramesTable>();
	let chart = $state<Chart>();
	let tab = $state<Tab>('texts');
	/** The selected curve. */
	let chosen = $state('');

	$effect(() => {
		viewing.wide = false;
		return () => {
			tryEdit(site.texts, null);
		};
	});

	/** The pause in changes before texts are read, ms. */
	const PAUSE = 120;
	/** Does something after a pause, unless its cause has changed by then. */
	function afterPause(work: (signal: AbortSignal) => Promise<void>): () => void {
		const gone = new AbortController();
		const timer = setTimeout(() => void work(gone.signal), PAUSE);
		return () => {
			clearTimeout(timer);
			gone.abort();
		};
	}

	/** The vantage in which the page is read, whatever its width. */
	const as = $derived(sweptAs(lead).as);
	const vantage = $derived(JSON.stringify({ ...as, width: 0 }));
	/** The selectors to be written, as one text, which stays the same when they do. */
	const selectors = $derived(JSON.stringify([...new Set(setting.declared.map(({ selector }) => selector))]));
	$effect(() => {
		void [page.conditions, page.source, vantage];
		if (!stages || setting.dragged) return;
		const looked = { page, stages, lead: untrack(() => as) };
		const asked = JSON.parse(selectors) as string[];
		return afterPause((signal) => setting.look(looked, asked, signal));
	});
	const framed = $derived(framing.frames.map(({ viewport }) => viewport.width).join());
	$effect(() => {
		const widths = framed.split(',').map(Number);
		void reading.laid;
		return afterPause((signal) => reading.lookAt(widths, signal));
	});
	/** The first text of the selected size. */
	const lookedAt = $derived(reading.styles.find(({ id }) => id === chosen)?.texts[0]?.path);
	$effect(() => {
		const path = lookedAt;
		if (!path || reading.laid.size === 0) return;
		return afterPause((signal) => reading.refine(path, signal));
	});
	$effect(() => {
		void setting.edit;
		return afterPause((signal) => setting.count(signal));
	});

	const heights = $derived(lengthContext(as).heights);
	/** The sizes with a larger text size in the browser. */
	const larger = $derived(reading.now?.sizingAt(24));
	const rootFault = $derived(reading.now && larger ? rootNote(reading.now, larger, SHOWN) : undefined);
	const checked = $derived.by(() => {
		const { now, styles } = reading;
		if (!now || !larger) return [];
		return styles.map((style) => checkedStyle(style, now, larger, SHOWN, heights, !rootFault));
	});
	const faults = $derived(
		setting.work === 'sizes'
			? checked.flatMap(({ style, zoom }) => stretchesIn(zoom).map((one) => ({ of: style.id, ...one })))
			: []
	);

	function beginLength(path: ElementPath | undefined, property = 'font-size'): void {
		const at = path ?? reading.now?.texts[0]?.path;
		if (!at) return;
		setting.begin(at, property);
		chosen = 'length';
		tab = 'set';
	}
	const toLength = (): void => beginLength(selected[0]);

	$effect(() => {
		if (setting.work === 'scale') untrack(() => (tab = tab === 'texts' ? 'lines' : tab));
	});
	const choose = (id: string): void => {
		chosen = id;
	};
	function write(): void {
		if (setting.write()) tab = 'texts';
	}

	const here = $derived(bandAt(bands.bands, carriage.width).interval);
	const band = $derived<[number, number]>([
		Math.max(carriage.range[0], toNumber(here.lo)),
		here.hi ? Math.min(carriage.range[1], toNumber(here.hi)) : carriage.range[1]
	]);

	$effect(() => {
		bindKeys({
			...lookingKeys(
				site,
				() => bands,
				() => [],
				() => frames?.toChorus(),
				(direction) => framing.panOn(direction)
			),
			...typeKeys(
				site,
				setting,
				(to) => (tab = to),
				toLength,
				() => chart?.focus(),
				write
			)
		});
		return () => bindKeys({});
	});
</script>

<main>
	<Head {setting} onlength={toLength} />
	<Guarded name="The chart">
		<Chart
			bind:this={chart}
			{hung}
			range={carriage.range}
			width={carriage.width}
			onwidth={(width) => (carriage.width = width)}
			cuts={bands.thresholds.map(({ cut }) => toNumber(cut.at))}
			{band}
			{faults}
			root={setting.root.px}
			{chosen}
			onchoose={choose}
		/>
	</Guarded>
	<div class="below">
		<Guarded name="The frames">
			<FramesTable bind:this={frames} {view} said={(width) => reading.said(width)} />
		</Guarded>
		<Panel
			{setting}
			{site}
			{page}
			{checked}
			{rootFault}
			bind:tab
			{chosen}
			acts={{
				onchoose: choose,
				onselect: (path) => select([path]),
				onlength: beginLength,
				onplace: show
			}}
		/>
	</div>
	<TypeFoot {setting} {hung} onwrite={write} />
</main>

<style>
	main {
		grid-area: work;
		display: grid;
		/* With large text in a low window everything scrolls: frames that have no room are not drawn. */
		grid-template: auto minmax(11rem, 46%) minmax(12rem, 1fr) auto / minmax(0, 1fr);
		min-height: 0;
		overflow: hidden auto;
	}

	.below {
		display: grid;
		grid-template: minmax(0, 1fr) / minmax(0, 1fr) minmax(22rem, 37%);
		min-height: 0;
		border-top: 1px solid var(--hair);
	}
</style>
