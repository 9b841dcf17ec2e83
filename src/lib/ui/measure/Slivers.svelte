<script lang="ts">
	import { compare, printInterval, type Interval, type Rational } from '$lib/core/interval/index.ts';
	import { isMeantGap, type Band } from '$lib/core/media/index.ts';
	import { textScale } from '../textScale.ts';
	import { clusters, middle } from './ticks.ts';

	interface Props {
		/** Bands with their positions, px; none for pixels that they do not have. */
		bands: readonly { band: Band; from: number; to: number; pixels: readonly [number, number] | null }[];
		/** Widths at which both halves of a breakpoint hold. */
		overlaps: readonly Rational[];
		/** How far apart the halves of breakpoints may be, CSS px. */
		meant: number;
		/** Called to close a gap narrower than a pixel. */
		onjoin?: ((stretch: Interval) => void) | undefined;
	}

	let { bands, overlaps, meant, onjoin }: Props = $props();

	const isOverlap = ({ lo, hi }: Interval): boolean =>
		hi !== null && compare(lo, hi) === 0 && overlaps.some((at) => compare(at, lo) === 0);
	/** Marks further apart than this can be distinguished with a pointer, px. */
	const TOUCHED = 24;

	/**
	 * Bands without a whole pixel, or in which both halves hold, except intended ones: a mark each, with words on
	 * hover.
	 */
	const slivers = $derived(
		clusters(
			bands
				.filter(
					({ pixels, band }) => (!pixels || isOverlap(band.interval)) && !isMeantGap(band.interval, meant)
				)
				.map(({ band, from, to }) => ({ at: (from + to) / 2, of: band })),
			TOUCHED * textScale
		)
	);

	const told = (interval: Interval): string =>
		`${isOverlap(interval) ? 'Both halves of a breakpoint hold' : 'Neither half of a breakpoint holds'} at ${printInterval(interval)}`;
</script>

{#each slivers as group, i (i)}
	{@const [first] = group}
	{@const said = group.map(({ of }) => told(of.interval)).join('. ')}
	{#if first}
		<div class="sliver" style:left="{middle(group)}px">
			{#if onjoin}
				<button
					type="button"
					title="{said}. A click proposes how to close {group.length === 1 ? 'it' : 'the first'}."
					aria-label={said}
					onclick={() => onjoin(first.of.interval)}><span class="mark"></span></button
				>
			{:else}<span class="mark" title={said}></span>{/if}
		</div>
	{/if}
{/each}

<style>
	.sliver {
		position: absolute;
		top: -0.125rem;
		translate: -50% 0;
	}

	button {
		display: grid;
		place-items: center;
		width: 1.5rem;
		height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		cursor: pointer;
	}

	.mark {
		width: 0.5rem;
		height: 0.5rem;
		border: 1.5px solid var(--ink-2);
		border-top: 0;
	}

	button:hover .mark,
	button:focus-visible .mark {
		border-color: var(--ink);
	}
</style>
