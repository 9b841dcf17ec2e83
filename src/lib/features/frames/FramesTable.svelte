<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { messageOf } from '$lib/core/text/index.ts';
	import { untrack, type Snippet } from 'svelte';
	import type { Alignment, Original } from '$lib/core/original/index.ts';
	import { framesPainted } from '$lib/session/painted.ts';
	import type { EditedPage } from '$lib/session/measurer.ts';
	import { PageState } from '$lib/session/page.svelte.ts';
	import { notify } from '$lib/session/notices.svelte.ts';
	import { turns } from '$lib/ui/turns.svelte.ts';
	import FootBar from './FootBar.svelte';
	import Frames from './Frames.svelte';
	import HeightAxis from './HeightAxis.svelte';
	import Ladder from './Ladder.svelte';
	import { placementOf } from './framing.svelte.ts';
	import { stageTalk } from './stageTalk.ts';
	import type { FramesView } from './view.svelte.ts';

	interface Props {
		view: FramesView;
		/** Words about a frame of some width, in full and in short, in place of its size and band. */
		said?: (width: number) => { readonly whole: string; readonly short: string };
		/** The Original at the lead's width, and a request to align it differently. */
		laid?: { readonly original: Original | undefined; readonly onalign: (alignment: Alignment) => void };
		/** The content around the frames while they are above the columns of a Collation. */
		below?: Snippet;
		/** The menu of Holds, and a request to see them. */
		holds?: Snippet;
		onholds?: () => void;
		/** The page before the last edit and after it, with errands applied; null where there was none. */
		edited?: EditedPage | null;
	}

	let { view, said, laid, below, holds, onholds = () => undefined, edited = null }: Props = $props();
	const { framing, workbench } = untrack(() => view);
	const { before, originals, selectionView, states, viewing } = getSite();
	const { site, page, selected } = $derived(workbench);
	const { stages } = $derived(view);
	const { select } = workbench;

	const earlier = $derived(
		viewing.before === 'edit' && edited
			? new PageState(
					site,
					edited.pathBefore,
					(path) => edited.before.get(path),
					() => []
				)
			: new PageState(site, page.path, (path) => before.text(path))
	);
	const staged = $derived(states.changes(site.kept.staged.list, page.path));
	const pictures = $derived(site.kept.original.list);

	/** Everything around the frames comes after them. */
	const turn = turns(1);
	let failure = $state<string | null>(null);
	let foot: FootBar;
	let ladder = $state<Ladder>();
	let drawn = $state<Frames>();

	export const toLadder = (): void => ladder?.focus();
	export const toChorus = (): void => drawn?.focus();
	export const openSwitches = (): void => foot.openSwitches();

	const talk = stageTalk({
		workbench: () => workbench,
		original: () => laid?.original,
		onalign: (alignment) => laid?.onalign(alignment),
		onpan: (by) => framing.pan(by)
	});

	/** Shows the stages over an element, as long as it is there. */
	function table(parent: HTMLElement): () => void {
		let gone = false;
		untrack(() => site.stageKeeper.take(parent, workbench.config, talk)).then(
			(opened) => {
				if (!gone) view.stages = opened;
			},
			(error: unknown) => (failure = messageOf(error))
		);
		return () => {
			gone = true;
			view.stages = null;
		};
	}

	$effect(() => stages?.keepInStep(view.inStep));

	$effect(() => originals.load(pictures));
	$effect(() => {
		const shown = framing.frames.flatMap(({ frame, vantage }) => {
			const one = originals.shown(pictures, page.path, vantage.width);
			return one ? [[frame, one] as const] : [];
		});
		stages?.originals(new Map(shown));
	});
	$effect(() => stages?.points(originals.task !== null, originals.points));

	$effect(() => states.showing(page.path));
	$effect(() => stages?.pin(states.pins));
	$effect(() => stages?.use(viewing.use));
	$effect(() => stages?.keylines(viewing.keylines));
	$effect(() => stages?.select(selected, selectionView.distances));

	$effect(() => {
		if (selectionView.reveal) stages?.reveal('lead', selectionView.reveal);
	});

	/** Updates the frames to the texts and the carriage. */
	export function show(): void {
		if (!stages) return;
		const { prefix } = stages;
		const from = viewing.before ? earlier : page;
		// Read now, not when the stage is ready: this makes the next scene depend on it.
		const contents = new Map(
			framing.frames.map(({ frame, vantage }) => [frame, from.content(prefix, vantage, staged)])
		);
		const frames = framing.frames.map(({ frame }) => frame);
		const shown = stages.live.show({ placements: framing.frames.map(placementOf), contents });
		// New frames begin at the selection, which an address may have made; above columns all do where any is new.
		const fresh = frames.filter((frame) => !selectionView.frames.has(frame));
		const begin = viewing.wide && fresh.length > 0 ? frames : fresh;
		selectionView.frames = new Set(frames);
		shown.then(
			(at) => {
				const [path] = selected;
				if (path) for (const frame of begin) stages?.reveal(frame, path);
				framesPainted(at);
			},
			(error: unknown) => notify(`The frames do not show the last change: ${messageOf(error)}`, true)
		);
	}

	$effect.pre(show);

	/** The contents for a long text being typed are computed in advance, so that showing them blocks nothing. */
	$effect(() => {
		if (!stages) return;
		const { prefix } = stages;
		return site.doing({
			frameAhead: (path, text) =>
				page.frameAhead(
					path,
					text,
					prefix,
					framing.frames.map(({ vantage }) => vantage)
				)
		});
	});
</script>

<section class="frames" class:wide={viewing.wide} aria-label="Frames">
	{#if viewing.wide}{@render below?.()}{/if}
	<div
		class="room"
		class:scrolls={viewing.alone ||
			framing.extent.width > framing.width ||
			(!viewing.wide && framing.extent.height > framing.height)}
		bind:clientWidth={framing.width}
		bind:clientHeight={framing.height}
	>
		<div
			class="table"
			style:width="{framing.extent.width}px"
			style:height="{framing.extent.height}px"
			{@attach table}
		></div>
		{#if failure}<p class="failure" role="alert">{failure}</p>{/if}
		{#if turn.done === 1}
			<Frames bind:this={drawn} {view} {said} />
		{/if}
		{#if turn.done === 1 && framing.frames[0] && !viewing.alone && !viewing.wide}
			<HeightAxis {view} lead={framing.frames[0]} />
		{/if}
		{#if selected[0] && framing.frames[0] && !viewing.alone && !viewing.wide}
			<Ladder bind:this={ladder} {page} path={selected[0]} lead={framing.frames[0]} onselect={select} />
		{/if}
	</div>
	<FootBar
		bind:this={foot}
		{site}
		bind:inStep={view.inStep}
		vantagesHref="{workbench.href('site')}#vantages"
		{holds}
		{onholds}
	/>
</section>

<style>
	.frames {
		display: grid;
		grid-template: minmax(0, 1fr) auto / minmax(0, 1fr);
		height: 100%;
		min-width: 0;
	}

	.frames.wide {
		grid-template:
			'top' auto
			'room' 24vh
			'table' minmax(0, 1fr)
			'foot' auto / minmax(0, 1fr);
	}

	.wide .room {
		grid-area: room;
	}

	.wide :global(.foot) {
		grid-area: foot;
	}

	.room {
		position: relative;
		min-width: 0;
		overflow: hidden;
	}

	.table {
		position: absolute;
		top: 0;
		left: 0;
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
		inset: 40% 2.5rem auto;
		color: var(--rubric);
	}

	.room.scrolls {
		overflow: auto;
	}
</style>
