<script lang="ts">
	import { pointsOf, type Scene, type CurveSegment } from './drawing.ts';

	interface Props {
		scene: Scene;
		/** The selected curve. */
		chosen: string;
		colour: (id: string) => string;
		onchoose: (id: string) => void;
		/** Called when something draggable is grabbed. */
		ongrip: (event: PointerEvent, id: string) => void;
	}

	let { scene, chosen, colour, onchoose, ongrip }: Props = $props();
	const { room, height, x, y, range, grid, cuts, band, width, drawn, ladders, knees, faults } =
		$derived(scene);

	const inside = (at: number): boolean => at >= range[0] && at <= range[1];
	const path = (points: readonly (readonly [number, number])[]): string =>
		points.map(([at, size], i) => `${i ? 'L' : 'M'}${x(at).toFixed(1)} ${y(size).toFixed(1)}`).join('');
	const diamond = (at: number, size: number): string => `M${at} ${y(size) - 7}l7 7-7 7-7-7z`;
	const faultPath = ({ of, from, to }: CurveSegment): string => {
		const one = drawn.find(({ id }) => id === of);
		const within: readonly [number, number] = [Math.max(range[0], from), Math.min(range[1], to)];
		return one ? pointsOf(one.curve, within).map(path).join('') : '';
	};
</script>

<svg width={room} {height} role="img" aria-label="Sizes over viewport width, px">
	<rect class="band" x={x(band[0])} y="0" width={Math.max(0, x(band[1]) - x(band[0]))} {height} />
	{#each grid as size (size)}<path class="grid" d="M0 {y(size).toFixed(1)}H{room}" />{/each}
	{#each cuts.filter(inside) as cut, i (i)}<path class="cut" d="M{x(cut).toFixed(1)} 0V{height}" />{/each}
	{#each ladders as { end, at, pegs } (end)}
		{#if pegs.length > 0}<path class="end" d="M{at.toFixed(1)} 0V{height}" />{/if}
	{/each}
	<path class="carriage" d="M{x(width).toFixed(1)} 0V{height}" />
	{#each drawn as { id, look, parts, dots } (id)}
		<g class={look} class:chosen={id === chosen} style:--line={colour(id)}>
			{#each parts as points, i (i)}
				{@const before = parts[i - 1]?.at(-1)}
				{#if before && points[0]}<path class="leap" d={path([before, points[0]])} />{/if}
				<path d={path(points)} />
			{/each}
			{#if look !== 'behind'}
				<!-- What the pointer finds is wider than the line. -->
				<path
					class="grip"
					role="presentation"
					d={parts.map(path).join('')}
					onpointerdown={(event) => {
						onchoose(id);
						if (look === 'set') ongrip(event, id);
					}}
				/>
			{/if}
			{#each dots.filter(([at]) => inside(at)) as [at, size], i (i)}
				<circle cx={x(at)} cy={y(size)} r="2.5" />
			{/each}
		</g>
	{/each}
	{#each faults as fault, i (i)}<path class="fault" d={faultPath(fault)} />{/each}
	{#each knees.filter((one) => inside(one.width)) as { id, width: at, size }, i (i)}
		<path
			class="knee"
			role="presentation"
			d={diamond(x(at), size)}
			onpointerdown={(event) => ongrip(event, id)}
		/>
	{/each}
	{#each ladders as { end, at, left, pegs } (end)}
		{#each pegs as { id, size, top, of } (id)}
			<path class="lead" d="M{at} {y(size)}L{at + (left ? -22 : 22)} {top}" />
			<path
				class="knee"
				style:--line={colour(of)}
				role="presentation"
				d={diamond(at, size)}
				onpointerdown={(event) => ongrip(event, id)}
			/>
		{/each}
	{/each}
</svg>

<style>
	svg {
		position: absolute;
		inset: 0;
		overflow: visible;
	}

	path {
		fill: none;
	}

	.band {
		fill: var(--filled);
	}

	.grid {
		stroke: var(--hair);
	}

	.cut {
		stroke: var(--hair);
		stroke-dasharray: 2 4;
	}

	.end {
		stroke: var(--ink);
	}

	.carriage {
		stroke: var(--brass-line);
		stroke-width: 2;
	}

	g path {
		stroke: var(--line);
		stroke-width: 1.75;
		stroke-linecap: round;
	}

	g.chosen path {
		stroke-width: 3;
	}

	g.behind path {
		stroke: var(--pale);
		stroke-width: 1;
		stroke-dasharray: 5 4;
	}

	g path.leap {
		stroke-width: 1;
		stroke-dasharray: 2 3;
	}

	g path.grip {
		stroke: transparent;
		stroke-width: 12;
		pointer-events: stroke;
		cursor: pointer;
	}

	g.set path.grip {
		cursor: ns-resize;
	}

	circle {
		fill: var(--sheet);
		stroke: var(--line);
		stroke-width: 1.25;
	}

	.fault {
		stroke: var(--rubric);
		stroke-width: 4;
		pointer-events: none;
	}

	.lead {
		stroke: var(--ink-2);
	}

	.knee {
		fill: var(--sheet);
		stroke: var(--line, var(--ink));
		stroke-width: 2;
		cursor: move;
	}
</style>
