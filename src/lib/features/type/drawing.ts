import { toNumber } from '$lib/core/interval/index.ts';
import type { Curve } from '$lib/core/length/index.ts';

/** A curve to be drawn. */
export interface DrawnCurve {
	readonly id: string;
	readonly name: string;
	readonly curve: Curve;
	/** Being set, present in the sheet, or present behind what is being set. */
	readonly look: 'set' | 'now' | 'behind';
	/** Sizes in the engine, px by width. */
	readonly dots: readonly (readonly [width: number, size: number])[];
}

/** A size at one end that is dragged or typed. */
export interface Peg {
	readonly id: string;
	/** Its curve. */
	readonly of: string;
	readonly end: 'narrow' | 'wide';
	readonly width: number;
	readonly size: number;
	/** What it is called. */
	readonly name: string;
	/** The scale's size, where it has one of its own; null where it has the scale's. */
	readonly scaled: number | null;
}

/** A knee that can be dragged. */
export interface Knee {
	readonly id: string;
	readonly width: number;
	readonly size: number;
}

/** A curve with the points of its pieces. */
export interface Drawn extends DrawnCurve {
	readonly parts: readonly (readonly (readonly [width: number, size: number])[])[];
}

/** A range of a curve, by its id. */
export interface CurveSegment {
	readonly of: string;
	readonly from: number;
	readonly to: number;
}

/** The distance between points of a drawn line, px of width. */
const SAMPLE = 24;

/** A curve as points over some widths: one line per piece, interrupted where it jumps. */
export function pointsOf(curve: Curve, [from, to]: readonly [number, number]): [number, number][][] {
	const parts: [number, number][][] = [];
	let last: readonly [number, number] | undefined;
	for (const { from: begin, to: end, line } of curve) {
		const [a, b] = [Math.max(from, toNumber(begin.at)), Math.min(to, toNumber(end.at))];
		if (a > b) continue;
		const [constant, slope] = [toNumber(line.constant), toNumber(line.slope)];
		const count = Math.max(1, Math.ceil((b - a) / SAMPLE));
		const points = Array.from({ length: count + 1 }, (_, i): [number, number] => {
			const width = a + ((b - a) * i) / count;
			return [width, constant + slope * width];
		});
		const first = points[0];
		if (last && first && Math.abs(last[1] - first[1]) < 0.01) parts.at(-1)?.push(...points);
		else parts.push(points);
		last = points.at(-1);
	}
	return parts;
}

/** Positions for labels without overlaps: as near to their own as a gap allows, in order. */
export function apart(
	preferred: readonly number[],
	gap: number,
	[top, bottom]: readonly [number, number]
): number[] {
	const order = preferred.map((_, i) => i).sort((a, b) => (preferred[a] ?? 0) - (preferred[b] ?? 0));
	const places = order.map((i) => preferred[i] ?? 0);
	for (let i = 1; i < places.length; i++) places[i] = Math.max(places[i] ?? 0, (places[i - 1] ?? 0) + gap);
	const over = (places.at(-1) ?? 0) - bottom;
	if (over > 0) {
		places[places.length - 1] = bottom;
		for (let i = places.length - 2; i >= 0; i--)
			places[i] = Math.min(places[i] ?? 0, (places[i + 1] ?? 0) - gap);
	}
	const found: number[] = [];
	order.forEach((i, at) => (found[i] = Math.max(top, places[at] ?? 0)));
	return found;
}

/** Sizes at which the chart has lines, px. */
export const GRID = [4, 6, 8, 10, 12, 14, 16, 20, 24, 32, 40, 48, 64, 80, 96, 128, 192, 256, 384];

/** Those with a label. */
export const TOLD: readonly number[] = [12, 16, 24, 32, 48, 64, 96, 128];

/** A size as displayed: to a tenth of a px, more precisely where necessary. */
export const printSize = (px: number): string => String(Number(px.toFixed(Math.abs(px) < 10 ? 2 : 1)));

/** What the chart draws, and its geometry. */
export interface Scene {
	readonly room: number;
	readonly height: number;
	/** Chart px for a width, and for a size. */
	readonly x: (width: number) => number;
	readonly y: (size: number) => number;
	readonly range: readonly [number, number];
	/** Sizes that have a line across. */
	readonly grid: readonly number[];
	readonly cuts: readonly number[];
	readonly band: readonly [from: number, to: number];
	readonly width: number;
	readonly drawn: readonly Drawn[];
	readonly ladders: readonly {
		readonly end: string;
		readonly at: number;
		readonly left: boolean;
		readonly pegs: readonly (Peg & { readonly top: number })[];
	}[];
	readonly knees: readonly Knee[];
	readonly faults: readonly CurveSegment[];
}
