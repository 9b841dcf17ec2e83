<script lang="ts">
	import { scaleLinear, scaleLog } from 'd3-scale';

	interface Props {
		/** Figures over widths, ascending, CSS px; a line for each figure, broken where it is missing. */
		lines: readonly (readonly (readonly (readonly [width: number, figure: number])[])[])[];
		range: readonly [number, number];
		/** Where bands meet, CSS px. */
		cuts: readonly number[];
		/** The position of the carriage, and a request to move it. */
		width: number;
		onwidth: (width: number) => void;
		/** A description of the drawing. */
		label: string;
	}

	let { lines, range, cuts, width, onwidth, label }: Props = $props();

	/** Space above and below the lines, and for figures on the right, px. */
	const [EDGE, FIGURES] = [8, 52];
	const HEIGHT = 96;
	let room = $state(0);
	const x = $derived(scaleLog([range[0], range[1]], [0, Math.max(1, room - FIGURES)]));
	const figures = $derived(lines.flat(2).map(([, figure]) => figure));
	const [least, most] = $derived([Math.min(...figures), Math.max(...figures)]);
	const y = $derived(
		scaleLinear(most > least ? [least, most] : [least - 1, least + 1], [HEIGHT - EDGE, EDGE])
	);
	const inside = (at: number): boolean => at >= range[0] && at <= range[1];
	const path = (line: readonly (readonly [number, number])[]): string =>
		line
			.filter(([at]) => inside(at))
			.map(([at, figure], i) => `${i === 0 ? 'M' : 'L'}${x(at).toFixed(1)} ${y(figure).toFixed(1)}`)
			.join('');
	const print = (figure: number): string => String(Math.round(figure * 100) / 100);

	function point({ clientX, currentTarget, buttons, type }: PointerEvent): void {
		if (type === 'pointermove' && buttons !== 1) return;
		const { left } = (currentTarget as Element).getBoundingClientRect();
		onwidth(Math.min(range[1], Math.max(range[0], Math.round(x.invert(clientX - left)))));
	}
</script>

<div bind:clientWidth={room}>
	{#if figures.length > 0 && room > 0}
		<svg
			role="img"
			aria-label={label}
			width={room}
			height={HEIGHT}
			onpointerdown={point}
			onpointermove={point}
		>
			{#each cuts.filter(inside) as cut, i (i)}
				<path class="cut" d="M{x(cut).toFixed(1)} 0V{HEIGHT}" />
			{/each}
			<path class="carriage" d="M{x(Math.min(range[1], Math.max(range[0], width))).toFixed(1)} 0V{HEIGHT}" />
			{#each lines as pieces, i (i)}
				{#each pieces as piece, n (n)}
					<path class="line" d={path(piece)} />
				{/each}
			{/each}
			<text x={room - FIGURES + 6} y={y(most) + 4}>{print(most)}</text>
			{#if most > least}<text x={room - FIGURES + 6} y={y(least) + 4}>{print(least)}</text>{/if}
		</svg>
	{/if}
</div>

<style>
	div {
		min-height: 6rem;
		border-block: 1px solid var(--hair);
	}

	svg {
		display: block;
		cursor: col-resize;
		touch-action: none;
	}

	path {
		fill: none;
	}

	.cut {
		stroke: var(--hair);
	}

	.carriage {
		stroke: var(--brass);
		stroke-width: 2;
	}

	.line {
		stroke: var(--blue);
		stroke-width: 2;
		stroke-linecap: round;
	}

	text {
		fill: var(--ink-2);
		font: 0.8125rem/1 var(--mono);
	}
</style>
