<script lang="ts">
	import { compare, printInterval, type Interval, type Rational } from '$lib/core/interval/index.ts';
	import type { Band } from '$lib/core/media/index.ts';
	import { textScale } from '../textScale.ts';
	import { clusters } from './ticks.ts';

	interface Props {
		/** Bands with where they are drawn, px; none for pixels that they do not have. */
		bands: readonly { band: Band; from: number; to: number; pixels: readonly [number, number] | null }[];
		/** Widths at which both halves of a breakpoint hold. */
		overlaps: readonly Rational[];
		/** A request to close a stretch that is narrower than a pixel. */
		onjoin?: ((stretch: Interval) => void) | undefined;
	}

	let { bands, overlaps, onjoin }: Props = $props();

	const isOverlap = ({ lo, hi }: Interval): boolean =>
		hi !== null && compare(lo, hi) === 0 && overlaps.some((at) => compare(at, lo) === 0);
	/** Bands in which no whole pixel lies, or both halves hold: drawn as what they are, with words. */
	const slivers = $derived(
		clusters(
			bands
				.filter(({ pixels, band }) => !pixels || isOverlap(band.interval))
				.map(({ band, from, to }) => ({ at: (from + to) / 2, of: band })),
			250 * textScale
		)
	);
	/** Text of so many times its usual size leaves no room for words. */
	const LARGE = 1.4;
</script>

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

<style>
	p {
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
