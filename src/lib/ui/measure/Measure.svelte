<script lang="ts">
	import { scaleLog } from 'd3-scale';
	import type { Snippet } from 'svelte';
	import { printInterval, toNumber } from '$lib/core/interval/index.ts';
	import { bandAt, overlapsOf, wholePixels, type Bands, type Threshold } from '$lib/core/media/index.ts';
	import { roving } from '../roving.ts';
	import { textScale } from '../textScale.ts';
	import Carriage from './Carriage.svelte';
	import Hung from './Hung.svelte';
	import Numbers from './Numbers.svelte';
	import Others from './Others.svelte';
	import type { MeasuredPlaces, Stated, Stretches } from './places.ts';
	import Slivers from './Slivers.svelte';
	import VantageMarks from './VantageMarks.svelte';

	interface Props {
		bands: Bands;
		/** Conditions that are no thresholds of viewport width. */
		others: readonly (Stated & { readonly kind: string })[];
		/** The position of the carriage, CSS px. */
		width: number;
		range: readonly [number, number];
		vantages: readonly { name: string; width: number }[];
		onwidth: (width: number) => void;
		/** Actions at the places of conditions. */
		places: MeasuredPlaces;
		/** Highlighted widths. */
		stretches?: Stretches;
		/** Content below the bar. */
		children?: Snippet;
	}

	let { bands, others, width, range, vantages, onwidth, places, stretches = {}, children }: Props = $props();

	let room = $state(0);
	const scale = $derived(scaleLog([range[0], range[1]], [0, room]));
	const x = (at: number): number => scale(Math.min(range[1], Math.max(range[0], at)));
	const at = (threshold: Threshold): number => toNumber(threshold.cut.at);
	const seen = $derived(bands.thresholds.filter((one) => at(one) > range[0] && at(one) < range[1]));
	const drawnBands = $derived(
		bands.bands.flatMap((band) => {
			const from = Math.max(range[0], toNumber(band.interval.lo));
			const to = Math.min(range[1], band.interval.hi ? toNumber(band.interval.hi) : range[1]);
			return from > to ? [] : [{ band, from: x(from), to: x(to), pixels: wholePixels(band.interval, range) }];
		})
	);
	const here = $derived(bandAt(bands.bands, width));

	/** Space for a band's letter and its words, px. */
	const LETTER = 18 * textScale;
	const WORDS = 96 * textScale;
	/** Space for the words at the end of the axis, with half of a threshold's, px. */
	const AXIS = 225 * textScale;
	/** The length of threshold lines, px. */
	const LINE = 35 * textScale;
	/** Whether no threshold is where the words of the axis are. */
	const isAxisFree = $derived(seen.every((threshold) => x(at(threshold)) < room - AXIS));
	/** Text larger than this leaves no room for the words of the axis. */
	const LARGE = 1.4;
	/**
	 * All lines in one drawing: a sheet can have hundreds of thresholds, which would slow down every frame as elements.
	 */
	const lines = $derived(seen.map((threshold) => `M${x(at(threshold)).toFixed(2)} 0v${LINE}`).join(''));

	/** The band under the pointer. */
	let pointed = $state('');
	function point({ clientX, currentTarget }: PointerEvent & { currentTarget: HTMLElement }): void {
		const band = bandAt(bands.bands, scale.invert(clientX - currentTarget.getBoundingClientRect().left));
		pointed = band ? `${band.letter}: ${printInterval(band.interval)}` : '';
	}
</script>

<section
	class="measure"
	aria-label="The Measure: viewport widths"
	{@attach roving('.number > button, .vantage, .sliver > button', 'row')}
>
	<div class="numbers">
		<Numbers
			marks={seen.map((of) => ({ at: x(at(of)), of }))}
			{room}
			placeOf={places.placeOf}
			onplace={places.onplace}
			onshift={places.onshift}
			toWidth={(px) => scale.invert(px)}
		/>
		{#if textScale < LARGE && isAxisFree}<p class="axis">the Measure: viewport width, px</p>{/if}
	</div>
	<div class="bar" role="presentation" bind:clientWidth={room} title={pointed} onpointermove={point}>
		<svg class="cut" viewBox="0 0 10 28" aria-hidden="true"><path d="M8 0 2 5l6 5-6 5 6 5-6 5 4 3" /></svg>
		<div class="filled" style:width="{x(width)}px"></div>
		{#each drawnBands as { band, from, to, pixels } (band.letter)}
			{#if pixels && to - from > LETTER}
				<div class="band" class:here={band === here} style:left="{from}px" style:width="{to - from}px">
					<b>{band.letter}</b>
					{#if to - from > WORDS}<span>{printInterval(band.interval)}</span>{/if}
				</div>
			{/if}
		{/each}
		<Hung {stretches} {x} {room} />
		<svg class="lines" width="100%" height={LINE} aria-hidden="true"><path d={lines} /></svg>
		<Carriage {width} {range} at={x(width)} toWidth={(px) => scale.invert(px)} band={here} {onwidth} />
	</div>
	<div class="marks"><VantageMarks {vantages} {x} {onwidth} /></div>
	<div class="words">
		<Others {others} placeOf={places.placeOf} onplace={places.onplace} />
		<Slivers
			bands={drawnBands}
			overlaps={overlapsOf(bands)}
			meant={places.meantGap ?? 0}
			onjoin={places.onjoin}
		/>
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
</style>
