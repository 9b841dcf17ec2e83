<script lang="ts">
	import { scaleLog } from 'd3-scale';
	import { rationalFromNumber, toNumber } from '$lib/core/interval/index.ts';
	import { valueOn } from '$lib/core/length/index.ts';
	import { textScale } from '$lib/ui/textScale.ts';
	import ChartLines from './ChartLines.svelte';
	import { apart, GRID, pointsOf, printSize, TOLD, type Drawn, type CurveSegment } from './drawing.ts';
	import type { Hung } from './hung.svelte.ts';
	import PegField from './PegField.svelte';

	interface Props {
		hung: Hung;
		range: readonly [number, number];
		/** The position of the carriage, and a request to move it. */
		width: number;
		onwidth: (width: number) => void;
		/** Where bands meet, CSS px; and the carriage's band. */
		cuts: readonly number[];
		band: readonly [from: number, to: number];
		/** Marked ranges of a curve, where it cannot be zoomed. */
		faults: readonly CurveSegment[];
		root: number;
		/** The selected curve. */
		chosen: string;
		onchoose: (id: string) => void;
	}

	let { hung, range, width, onwidth, cuts, band, faults, root, chosen, onchoose }: Props = $props();

	let plot = $state<HTMLElement>();
	let room = $state(0);
	let height = $state(0);
	/** Space above and below the curves, px. */
	const EDGE = 18;
	/** The distance between fields and names, px. */
	const [FIELDS, NAMES] = [27 * textScale, 17 * textScale];
	/** Space for fields beyond an end, px. */
	const [NARROW, WIDE] = [160 * textScale, 240 * textScale];

	/** Focuses the first peg's field. */
	export const focus = (): void => plot?.querySelector('input')?.focus();

	const x = $derived(scaleLog([range[0], range[1]], [0, Math.max(1, room)]));
	const within = (at: number): number => Math.min(range[1], Math.max(range[0], at));
	const drawn = $derived(hung.curves.map((one): Drawn => ({ ...one, parts: pointsOf(one.curve, range) })));
	const sizes = $derived([
		...drawn.flatMap(({ parts, dots }) => [...parts.flat(), ...dots].map(([, size]) => size)),
		...hung.pegs.map(({ size }) => size)
	]);
	const [least, most] = $derived([Math.max(1, Math.min(...sizes, 16)), Math.max(2, Math.max(...sizes, 18))]);
	const log = $derived(scaleLog([least * 0.95, most * 1.05], [Math.max(2 * EDGE, height) - EDGE, EDGE]));
	const y = (size: number): number => log(Math.max(least / 2, size));
	const grid = $derived(GRID.filter((size) => size > least * 0.95 && size < most * 1.05));
	const sizeAt = ({ curve }: Drawn, at: number): number | undefined => {
		const found = valueOn(curve, rationalFromNumber(at));
		return found && toNumber(found);
	};
	/** Curves with one size each, and positions for their words without overlaps. */
	function beside(all: readonly { readonly of: Drawn; readonly size: number }[]) {
		const preferred = all.map(({ size }) => y(size));
		const places = apart(preferred, NAMES, [8, height - 8]);
		return all.map((one, i) => ({ ...one, top: places[i] ?? 0 }));
	}

	/** Sizes at the carriage. */
	const read = $derived(
		beside(
			drawn.flatMap((of) => {
				const size = of.look === 'behind' ? undefined : sizeAt(of, width);
				return size === undefined ? [] : [{ of, size }];
			})
		)
	);
	/** Names at the wide edge, unless pegs have them. */
	const named = $derived(
		beside(
			drawn
				.filter(({ look }) => look === 'now')
				.map((of) => ({ of, size: sizeAt(of, range[1]) ?? of.dots.at(-1)?.[1] ?? least }))
		)
	);
	const ladders = $derived(
		(['narrow', 'wide'] as const).map((end) => {
			const own = hung.pegs.filter((peg) => peg.end === end);
			const at = own[0] ? x(within(own[0].width)) : 0;
			// Fields are beyond the end where there is room for them.
			const left = end === 'narrow' ? at > NARROW : at > room - WIDE;
			const preferred = own.map(({ size }) => y(size));
			const places = apart(preferred, FIELDS, [14, height - 14]);
			return { end, at, left, pegs: own.map((peg, i) => ({ ...peg, top: places[i] ?? 0 })) };
		})
	);

	let dragged: string | null = null;

	function grip(event: PointerEvent, id: string): void {
		dragged = id;
		event.stopPropagation();
		event.preventDefault();
		plot?.setPointerCapture(event.pointerId);
		hung.begin();
	}

	function move({ clientX, clientY, shiftKey, buttons }: PointerEvent): void {
		if (buttons !== 1 || !plot) return;
		const { left, top } = plot.getBoundingClientRect();
		const at = within(Math.round(x.invert(clientX - left)));
		if (dragged === null) onwidth(at);
		else hung.drag(dragged, at, log.invert(clientY - top), shiftKey);
	}

	function release(): void {
		if (dragged !== null) hung.end();
		dragged = null;
	}

	const scene = $derived({
		...{ room, height, x, y, range, grid, cuts, band, width, drawn, ladders, faults },
		knees: hung.knees
	});

	const COLOURS = ['ink', 'blue', 'verdigris', 'plum', 'ochre'];
	const inOrder = $derived(drawn.filter(({ look }) => look !== 'behind').map(({ id }) => id));
	const colour = (id: string): string =>
		`var(--${COLOURS[Math.max(0, inOrder.indexOf(id)) % COLOURS.length] ?? 'ink'})`;
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
			plot?.setPointerCapture(event.pointerId);
			move(event);
		}}
		onpointermove={move}
		onpointerup={release}
		onpointercancel={release}
	>
		{#if room > 0 && height > 0}
			<ChartLines {scene} {chosen} {colour} {onchoose} ongrip={grip} />
			{#each grid.filter((size) => TOLD.includes(size)) as size (size)}
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
			{#each named as { of: { id, name }, top } (id)}
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
			{#each ladders as { at, left, pegs, end } (end)}
				{#each pegs as peg (peg.id)}
					<PegField
						{peg}
						{at}
						{left}
						{root}
						colour={colour(peg.of)}
						onsize={(...request) => hung.putSize(...request)}
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
