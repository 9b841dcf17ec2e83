<script lang="ts">
	import { scaleLog } from 'd3-scale';
	import { rationalFromNumber, toNumber } from '$lib/core/interval/index.ts';
	import { valueOn } from '$lib/core/length/index.ts';
	import { textScale } from '$lib/ui/textScale.ts';
	import { apart, GRID, pointsOf, printSize, type DrawnCurve, type Knee, type Peg } from './drawing.ts';
	import PegField from './PegField.svelte';

	interface Props {
		range: readonly [number, number];
		/** Where the carriage stands, and a wish to have it elsewhere. */
		width: number;
		onwidth: (width: number) => void;
		/** Where bands meet, CSS px; and the band of the carriage. */
		cuts: readonly number[];
		band: readonly [from: number, to: number];
		curves: readonly DrawnCurve[];
		pegs: readonly Peg[];
		knees: readonly Knee[];
		/** Stretches that are marked on a curve: where it cannot be zoomed. */
		marked: readonly { readonly of: string; readonly from: number; readonly to: number }[];
		root: number;
		/** The curve that is looked at. */
		chosen: string;
		onchoose: (id: string) => void;
		/** Something is about to be dragged. */
		onbegin: () => void;
		/** It is let go. */
		onend: () => void;
		/** A peg, a knee or (by its id) a whole curve is dragged to a width and a size; with Shift held. */
		ondrag: (id: string, width: number, size: number, shift: boolean) => void;
		onsize: (id: string, size: number | null, fit?: boolean) => void;
	}

	let {
		range,
		width,
		onwidth,
		cuts,
		band,
		curves,
		pegs,
		knees,
		marked,
		root,
		chosen,
		onchoose,
		onbegin,
		onend,
		ondrag,
		onsize
	}: Props = $props();

	let room = $state(0);
	let height = $state(0);
	/** Room above and below the curves, px. */
	const EDGE = 18;
	/** How far apart fields and names are, px. */
	const [FIELDS, NAMES] = [27 * textScale, 17 * textScale];

	const x = $derived(scaleLog([range[0], range[1]], [0, Math.max(1, room)]));
	const inside = (at: number): boolean => at >= range[0] && at <= range[1];
	const drawn = $derived(curves.map((one) => ({ ...one, parts: pointsOf(one.curve, range) })));
	const sizes = $derived([
		...drawn.flatMap(({ parts }) => parts.flat().map(([, size]) => size)),
		...pegs.map(({ size }) => size)
	]);
	const [least, most] = $derived([Math.max(1, Math.min(...sizes, 16)), Math.max(2, Math.max(...sizes, 18))]);
	const y = $derived(scaleLog([least * 0.95, most * 1.05], [Math.max(2 * EDGE, height) - EDGE, EDGE]));
	const path = (points: readonly (readonly [number, number])[]): string =>
		points
			.map(
				([at, size], i) => `${i ? 'L' : 'M'}${x(at).toFixed(1)} ${y(Math.max(least / 2, size)).toFixed(1)}`
			)
			.join('');
	const sizeAt = ({ curve }: DrawnCurve, at: number): number | undefined => {
		const found = valueOn(curve, rationalFromNumber(at));
		return found && toNumber(found);
	};

	/** Sizes read off at the carriage. */
	const read = $derived.by(() => {
		const all = drawn.flatMap((one) => {
			const size = one.look === 'behind' ? undefined : sizeAt(one, width);
			return size === undefined ? [] : [{ of: one, size }];
		});
		const places = apart(
			all.map(({ size }) => y(size)),
			NAMES,
			[8, height - 8]
		);
		return all.map((one, i) => ({ ...one, top: places[i] ?? 0 }));
	});

	/** Names at the wide edge, where no pegs have them. */
	const named = $derived.by(() => {
		const all = drawn.filter(({ look, id }) => look === 'now' && !pegs.some(({ of }) => of === id));
		const ends = all.map((one) => sizeAt(one, range[1]) ?? least);
		const places = apart(
			ends.map((size) => y(size)),
			NAMES,
			[8, height - 8]
		);
		return all.map((one, i) => ({ ...one, top: places[i] ?? 0 }));
	});

	const ladders = $derived(
		(['narrow', 'wide'] as const).map((end) => {
			const own = pegs.filter((peg) => peg.end === end);
			const at = own[0] ? x(Math.min(range[1], Math.max(range[0], own[0].width))) : 0;
			// Fields stand beyond the end where there is room for them.
			const left = end === 'narrow' ? at > 160 * textScale : at > room - 240 * textScale;
			const places = apart(
				own.map(({ size }) => y(Math.max(least / 2, size))),
				FIELDS,
				[14, height - 14]
			);
			return { end, at, left, pegs: own.map((peg, i) => ({ ...peg, top: places[i] ?? 0 })) };
		})
	);

	let dragged: string | null = null;
	let plot: HTMLElement;

	function begin(event: PointerEvent, id: string): void {
		dragged = id;
		event.stopPropagation();
		event.preventDefault();
		plot.setPointerCapture(event.pointerId);
		onbegin();
	}

	function end(): void {
		if (dragged !== null) onend();
		dragged = null;
	}

	function move({ clientX, clientY, shiftKey, buttons }: PointerEvent): void {
		if (buttons !== 1) return;
		const { left, top } = plot.getBoundingClientRect();
		const at = Math.min(range[1], Math.max(range[0], Math.round(x.invert(clientX - left))));
		if (dragged === null) onwidth(at);
		else ondrag(dragged, at, y.invert(clientY - top), shiftKey);
	}

	const MARKS = ['ink', 'blue', 'verdigris', 'plum', 'ochre'];
	const colour = (id: string): string =>
		`var(--${
			MARKS[
				Math.max(
					0,
					curves.filter(({ look }) => look !== 'behind').findIndex((one) => one.id === id)
				) % MARKS.length
			] ?? 'ink'
		})`;
</script>

<div class="hung">
	<!-- What is dragged here is set by keys in the fields beside it. -->
	<div
		class="plot"
		role="presentation"
		bind:this={plot}
		bind:clientWidth={room}
		bind:clientHeight={height}
		onpointerdown={(event) => {
			plot.setPointerCapture(event.pointerId);
			move(event);
		}}
		onpointermove={move}
		onpointerup={end}
		onpointercancel={end}
	>
		{#if room > 0 && height > 0}
			<svg width={room} {height} role="img" aria-label="Sizes over viewport width, px">
				<rect class="band" x={x(band[0])} y="0" width={Math.max(0, x(band[1]) - x(band[0]))} {height} />
				{#each GRID.filter((size) => size > least * 0.95 && size < most * 1.05) as size (size)}
					<path class="grid" d="M0 {y(size).toFixed(1)}H{room}" />
				{/each}
				{#each cuts.filter(inside) as cut (cut)}<path
						class="cut"
						d="M{x(cut).toFixed(1)} 0V{height}"
					/>{/each}
				{#each ladders as { end: name, at, pegs: own } (name)}
					{#if own.length > 0}<path class="end" d="M{at.toFixed(1)} 0V{height}" />{/if}
				{/each}
				<path class="carriage" d="M{x(width).toFixed(1)} 0V{height}" />
				{#each drawn as { id, look, parts, dots } (id)}
					<g class={look} class:chosen={id === chosen} style:--line={colour(id)}>
						{#each parts as points, i (i)}
							{@const before = parts[i - 1]?.at(-1)}
							{#if before && points[0]}
								<path class="leap" d={path([before, points[0]])} />
							{/if}
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
									if (look === 'set') begin(event, id);
								}}
							/>
						{/if}
						{#each dots.filter(([at]) => inside(at)) as [at, size] (at)}
							<circle cx={x(at)} cy={y(Math.max(least / 2, size))} r="2.5" />
						{/each}
					</g>
				{/each}
				{#each marked as { of, from, to } (`${of} ${from}`)}
					{@const one = drawn.find(({ id }) => id === of)}
					{#if one}
						<path
							class="fault"
							d={pointsOf(one.curve, [Math.max(range[0], from), Math.min(range[1], to)])
								.map(path)
								.join('')}
						/>
					{/if}
				{/each}
				{#each knees.filter((one) => inside(one.width)) as { id, width: at, size } (id)}
					<path
						class="knee"
						role="presentation"
						d="M{x(at)} {y(size) - 7}l7 7-7 7-7-7z"
						onpointerdown={(event) => begin(event, id)}
					/>
				{/each}
				{#each ladders as { at, left, pegs: own, end } (end)}
					{#each own as { id, size, top, of } (id)}
						<path class="lead" d="M{at} {y(Math.max(least / 2, size))}L{at + (left ? -22 : 22)} {top}" />
						<path
							class="knee"
							style:--line={colour(of)}
							role="presentation"
							d="M{at} {y(Math.max(least / 2, size)) - 7}l7 7-7 7-7-7z"
							onpointerdown={(event) => begin(event, id)}
						/>
					{/each}
				{/each}
			</svg>
			{#each GRID.filter((size) => size > least * 0.95 && size < most * 1.05 && [12, 16, 24, 32, 48, 64, 96, 128].includes(size)) as size (size)}
				<span class="figure" style:top="{y(size)}px">{size}</span>
			{/each}
			{#each read as { of, size, top } (of.id)}
				<button
					type="button"
					class="read"
					class:chosen={of.id === chosen}
					style:top="{top}px"
					style:left="{x(width) + 6}px"
					title="{of.name}: {printSize(size)} px at {width}"
					onpointerdown={(event) => event.stopPropagation()}
					onclick={() => onchoose(of.id)}>{printSize(size)}</button
				>
			{/each}
			{#each named as { id, name, top } (id)}
				<button
					type="button"
					class="name"
					class:chosen={id === chosen}
					style:top="{top}px"
					style:color={colour(id)}
					onpointerdown={(event) => event.stopPropagation()}
					onclick={() => onchoose(id)}>{name}</button
				>
			{/each}
			{#each ladders as { at, left, pegs: own, end } (end)}
				{#each own as peg (peg.id)}
					<PegField
						{peg}
						{at}
						{left}
						{root}
						colour={colour(peg.of)}
						{onsize}
						onchoose={() => onchoose(peg.of)}
					/>
				{/each}
			{/each}
		{/if}
	</div>
</div>

<style>
	.hung {
		min-height: 0;
		padding: 0 calc(1.25rem + 1px) 0 calc(1rem + 1px);
	}

	.plot {
		position: relative;
		height: 100%;
		cursor: col-resize;
		touch-action: none;
	}

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

	.behind circle {
		stroke: var(--pale);
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

	.figure {
		position: absolute;
		left: 0;
		translate: 0 -105%;
		color: var(--ink-2);
		font: 0.8125rem/1 var(--mono);
		pointer-events: none;
	}

	.read,
	.name {
		position: absolute;
		translate: 0 -50%;
		padding: 0 0.25rem;
		border: 0;
		background: var(--paper);
		font: 0.8125rem/1.2 var(--mono);
		cursor: pointer;
	}

	.name {
		right: 0;
		max-width: 16rem;
		overflow: hidden;
		font-family: var(--text);
		font-weight: 600;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	:is(.read, .name).chosen {
		outline: 1px solid currentcolor;
	}
</style>
