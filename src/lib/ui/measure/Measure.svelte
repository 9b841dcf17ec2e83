<script lang="ts">
	import { scaleLog } from 'd3-scale';
	import type { Snippet } from 'svelte';
	import {
		compare,
		intervals,
		printInterval,
		toNumber,
		type Interval,
		type IntervalSet
	} from '$lib/core/interval/index.ts';
	import { bandAt, overlapsOf, wholePixels, type Bands, type Threshold } from '$lib/core/media/index.ts';
	import { textScale } from '../textScale.ts';
	import Carriage from './Carriage.svelte';
	import Numbers from './Numbers.svelte';
	import Others from './Others.svelte';
	import type { Places, Shift, Stated } from './places.ts';
	import { clusters, fitWords } from './ticks.ts';

	interface Props extends Places {
		bands: Bands;
		/** Conditions that are no thresholds of viewport width. */
		others: readonly (Stated & { readonly kind: string })[];
		/** Where the carriage stands, CSS px. */
		width: number;
		range: readonly [number, number];
		vantages: readonly { name: string; width: number }[];
		onwidth: (width: number) => void;
		/** Widths that what is in the hand reaches. */
		reach?: IntervalSet | null;
		/** Widths at which something is held. */
		held?: IntervalSet | null;
		/** Widths at which something was found. */
		found?: IntervalSet | null;
		/** How thresholds are moved, where they can be. */
		onshift?: Shift;
		/** A wish to close a stretch that is narrower than a pixel. */
		onjoin?: (stretch: Interval) => void;
		/** What hangs under it. */
		children?: Snippet;
	}

	let {
		bands,
		others,
		width,
		range,
		vantages,
		onwidth,
		onplace,
		placeOf,
		reach = null,
		held = null,
		found = null,
		onshift,
		onjoin,
		children
	}: Props = $props();

	let room = $state(0);
	const scale = $derived(scaleLog([range[0], range[1]], [0, room]));
	const x = (at: number): number => scale(Math.min(range[1], Math.max(range[0], at)));
	const at = (threshold: Threshold): number => toNumber(threshold.cut.at);
	const seen = $derived(bands.thresholds.filter((one) => at(one) > range[0] && at(one) < range[1]));
	const stretches = $derived(
		bands.bands.flatMap((band) => {
			const from = Math.max(range[0], toNumber(band.interval.lo));
			const to = Math.min(range[1], band.interval.hi ? toNumber(band.interval.hi) : range[1]);
			return from > to ? [] : [{ band, from: x(from), to: x(to), pixels: wholePixels(band.interval, range) }];
		})
	);
	/** Widths at which both halves of a breakpoint hold. */
	const overlaps = $derived(overlapsOf(bands));
	const isOverlap = ({ lo, hi }: Interval): boolean =>
		hi !== null && compare(lo, hi) === 0 && overlaps.some((at) => compare(at, lo) === 0);
	/** Bands in which no whole pixel lies, or both halves hold: drawn as what they are, with words. */
	const slivers = $derived(
		clusters(
			stretches
				.filter(({ pixels, band }) => !pixels || isOverlap(band.interval))
				.map(({ band, from, to }) => ({ at: (from + to) / 2, of: band })),
			250 * textScale
		)
	);
	const here = $derived(bandAt(bands.bands, width));

	/** Room that a band's letter and its words need, px. */
	const LETTER = 18 * textScale;
	const WORDS = 96 * textScale;
	/** How long the lines of thresholds are, px. */
	const LINE = 35 * textScale;
	/** Text of so many times its usual size leaves no room for the axis's own words. */
	const LARGE = 1.4;
	/** All lines in one drawing: a sheet can have hundreds of thresholds, which as elements slow every frame. */
	const lines = $derived(seen.map((threshold) => `M${x(at(threshold)).toFixed(2)} 0v${LINE}`).join(''));

	/** Stretches: a bar at an end that belongs to it, a ring at one that does not. */
	const drawn = (set: IntervalSet | null) =>
		(set ? intervals(set) : []).map(({ lo, hi, loClosed, hiClosed }) => ({
			from: x(toNumber(lo)),
			to: hi === null ? room : x(toNumber(hi)),
			open: [!loClosed && lo.n > 0n, hi !== null && !hiClosed]
		}));
	const hung = $derived([
		...drawn(held).map((one) => ({ ...one, of: 'held' })),
		...drawn(reach).map((one) => ({ ...one, of: 'reach' })),
		...drawn(found).map((one) => ({ ...one, of: 'found' }))
	]);

	/** Which band is under the pointer. */
	let pointed = $state('');
	function point({ clientX, currentTarget }: PointerEvent & { currentTarget: HTMLElement }): void {
		const band = bandAt(bands.bands, scale.invert(clientX - currentTarget.getBoundingClientRect().left));
		pointed = band ? `${band.letter}: ${printInterval(band.interval)}` : '';
	}
</script>

<section class="measure" aria-label="The Measure: viewport widths">
	<div class="numbers">
		<Numbers
			marks={seen.map((of) => ({ at: x(at(of)), of }))}
			{room}
			{placeOf}
			{onplace}
			{onshift}
			toWidth={(px) => scale.invert(px)}
		/>
		{#if textScale < LARGE}<p class="axis">the Measure: viewport width, px</p>{/if}
	</div>
	<div class="bar" role="presentation" bind:clientWidth={room} title={pointed} onpointermove={point}>
		<svg class="cut" viewBox="0 0 10 28" aria-hidden="true"><path d="M8 0 2 5l6 5-6 5 6 5-6 5 4 3" /></svg>
		<div class="filled" style:width="{x(width)}px"></div>
		{#each stretches as { band, from, to, pixels } (band.letter)}
			{#if pixels && to - from > LETTER}
				<div class="band" class:here={band === here} style:left="{from}px" style:width="{to - from}px">
					<b>{band.letter}</b>
					{#if to - from > WORDS}<span>{printInterval(band.interval)}</span>{/if}
				</div>
			{/if}
		{/each}
		{#each hung as { of, from, to, open }, i (i)}
			<i class="stretch {of}" style:left="{from}px" style:width="{to - from}px" aria-hidden="true">
				<b class:open={open[0]}></b><b class:open={open[1]}></b>
			</i>
		{/each}
		<svg class="lines" width="100%" height={LINE} aria-hidden="true"><path d={lines} /></svg>
		<Carriage {width} {range} at={x(width)} toWidth={(px) => scale.invert(px)} band={here} {onwidth} />
	</div>
	<div class="marks">
		{#each fitWords(vantages.map( (one) => ({ name: one.name, figure: String(one.width), at: x(one.width) }) )) as { mark, words } (mark.name)}
			<button
				type="button"
				class="vantage"
				style:left="{mark.at}px"
				title="{mark.name}, {mark.figure} px"
				aria-label="{mark.name} {mark.figure}"
				onclick={() => onwidth(Number(mark.figure))}
			>
				{#if words !== 'none'}{mark.name}{/if}
				{#if words === 'whole'}<span>{mark.figure}</span>{/if}
			</button>
		{/each}
	</div>
	<div class="words">
		<Others {others} {placeOf} {onplace} />
		{#each slivers as group, i (i)}
			{@const both = group.filter(({ of }) => isOverlap(of.interval)).length}
			<p style:left="{group[0]?.at}px">
				{#each group as { at: place, of } (of.letter)}
					<span class="hole" style:left="{place - (group[0]?.at ?? 0)}px" aria-hidden="true"></span>
					{#if onjoin}
						<button
							type="button"
							class="sliver"
							title="{isOverlap(of.interval) ? 'Both halves hold' : 'Neither half holds'} here: close it"
							onclick={() => onjoin(of.interval)}>{printInterval(of.interval)}</button
						>
					{:else}<span class="sliver">{printInterval(of.interval)}</span>{/if}
				{/each}
				{#if textScale >= LARGE}{:else if both === 0}narrower than a pixel{:else if both === group.length}both
					halves hold{/if}
			</p>
		{/each}
	</div>
	{@render children?.()}
</section>

<style>
	.measure {
		position: relative;
		z-index: 5;
		grid-area: measure;
		padding: 0 1.25rem 0 1rem;
		border-bottom: 1px solid var(--hair);
		background: var(--sheet);
	}

	.numbers {
		position: relative;
		height: 1.5rem;
	}

	.axis {
		position: absolute;
		right: 0;
		bottom: 0.25rem;
		color: var(--ink-2);
		font-size: 0.8125rem;
		pointer-events: none;
	}

	.bar {
		position: relative;
		height: 1.75rem;
		border: 1px solid var(--ink-2);
	}

	.cut {
		position: absolute;
		top: -1px;
		left: -0.75rem;
		height: 1.75rem;
		fill: none;
		stroke: var(--ink-2);
	}

	.filled {
		position: absolute;
		inset: 0 auto 0 0;
		background: var(--filled);
	}

	.band {
		position: absolute;
		inset-block: 0;
		display: flex;
		align-items: center;
		gap: 0.5rem;
		padding-left: 0.625rem;
		overflow: hidden;
		white-space: nowrap;
	}

	.band b {
		font: 600 0.9375rem/1 var(--display);
	}

	.band span {
		color: var(--ink-2);
		font: 0.8125rem/1 var(--mono);
	}

	.band.here span {
		color: var(--ink);
	}

	.lines {
		position: absolute;
		top: -0.375rem;
		left: 0;
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.5px;
		pointer-events: none;
	}

	.stretch {
		--line: var(--blue);

		position: absolute;
		top: -0.3125rem;
		z-index: 1;
		display: flex;
		justify-content: space-between;
		border-top: 2px solid var(--line);
		pointer-events: none;
	}

	.stretch b {
		width: 2px;
		height: 0.5rem;
		margin: -0.3125rem -1px 0;
		background: var(--line);
	}

	.stretch b.open {
		width: 0.4375rem;
		height: 0.4375rem;
		margin: -0.28rem -0.21875rem 0;
		border: 1.5px solid var(--line);
		border-radius: 50%;
		background: var(--sheet);
	}

	.held {
		--line: var(--ochre);

		top: 0.1875rem;
	}

	.found {
		--line: var(--rubric);

		top: auto;
		bottom: -0.4375rem;
	}

	.marks,
	.words {
		position: relative;
		height: 1.375rem;
	}

	.words {
		height: 1.25rem;
	}

	.words:empty {
		height: 0.25rem;
	}

	.vantage {
		position: absolute;
		top: 0;
		min-width: 1.5rem;
		height: 1.5rem;
		padding: 0 0.25rem;
		translate: -50% 0;
		border: 0;
		background: none;
		color: var(--blue);
		font-size: 0.8125rem;
		white-space: nowrap;
		cursor: pointer;
	}

	.vantage::before {
		content: '';
		position: absolute;
		top: -0.3125rem;
		left: 50%;
		translate: -50% 0;
		border: 5px solid transparent;
		border-top: 0;
		border-bottom-color: var(--blue);
	}

	.vantage:hover {
		text-decoration: underline;
	}

	.vantage span {
		font-family: var(--mono);
	}

	.words p {
		position: absolute;
		display: flex;
		align-items: center;
		gap: 0.375rem;
		padding-left: 0.75rem;
		color: var(--rubric);
		font-size: 0.8125rem;
		white-space: nowrap;
	}

	.hole {
		position: absolute;
		top: -1.375rem;
		left: 0;
		translate: -50% 0;
		width: 0.5625rem;
		height: 0.75rem;
		border: 1.5px solid var(--rubric);
		border-block: 0;
		border-radius: 5px;
	}

	.sliver {
		min-height: 1.25rem;
		padding: 0;
		border: 0;
		background: none;
		color: inherit;
		font: 0.8125rem/1 var(--mono);
	}

	button.sliver {
		cursor: pointer;
	}

	button.sliver:hover {
		text-decoration: underline;
	}
</style>
