<script lang="ts">
	import { intervals, toNumber, type IntervalSet } from '$lib/core/interval/index.ts';
	import type { Stretches } from './places.ts';

	interface Props {
		stretches: Stretches;
		/** The position of a width, px. */
		x: (width: number) => number;
		/** The width of the Measure, px. */
		room: number;
	}

	let { stretches, x, room }: Props = $props();

	/** Ranges: a bar at an end that is included, a ring at one that is not. */
	const drawn = (set: IntervalSet | null) =>
		(set ? intervals(set) : []).map(({ lo, hi, loClosed, hiClosed }) => ({
			from: x(toNumber(lo)),
			to: hi === null ? room : x(toNumber(hi)),
			open: [!loClosed && lo.n > 0n, hi !== null && !hiClosed]
		}));
	const hung = $derived(
		(['held', 'reach', 'found'] as const).flatMap((of) =>
			drawn(stretches[of] ?? null).map((one) => ({ ...one, of }))
		)
	);
</script>

{#each hung as { of, from, to, open }, i (i)}
	<i class="stretch {of}" style:left="{from}px" style:width="{to - from}px" aria-hidden="true">
		<b class:open={open[0]}></b><b class:open={open[1]}></b>
	</i>
{/each}

<style>
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
</style>
