import { toNumber, type Interval } from '../interval/index.ts';

/** Whole widths from one to another, including both, CSS px. */
export interface WidthRange {
	readonly from: number;
	readonly to: number;
}

/**
 * What was read at a width: by a key of its kind, element and place, how far it is beyond its limit. Above 0 there is
 * a finding; up to 0 there is none, by that distance; anything far from its limit or undecidable is left out. Or,
 * where changes of state are looked for, its state in words.
 */
export type Readings = ReadonlyMap<string, number | string>;

/**
 * How far the distances of a key are moved before they are compared with 0; undefined where it is not looked for.
 */
export type Shift = (key: string) => number | undefined;

export const unshifted: Shift = () => 0;

/** Whether something changes between two readings: only one has it, or the states differ. */
export const changes = (a: number | string | undefined, b: number | string | undefined, by = 0): boolean =>
	typeof a === 'string' || typeof b === 'string'
		? a !== b && a !== undefined && b !== undefined
		: (a ?? NaN) + by > 0 !== (b ?? NaN) + by > 0;

/** What is known about a page, by width, CSS px. */
export type ReadingsByWidth = ReadonlyMap<number, Readings>;

/** Layout is measured in fractions of a px this small. */
export const FINE = 1 / 16;

/** A width between two others, as fine as layout is measured, near their middle; undefined where there is none. */
export function widthBetween(from: number, to: number): number | undefined {
	const width = Math.round((from + to) / 2 / FINE) * FINE;
	return from < width && width < to ? width : undefined;
}

/** A width in a range between two px, and the ends of the range; undefined where it is too narrow to be laid out. */
export function widthsAround({ lo, hi }: Interval): readonly [number, number, number] | undefined {
	const [from, to] = [toNumber(lo), hi ? toNumber(hi) : Infinity];
	const between = widthBetween(from, to);
	return between === undefined ? undefined : [Math.floor(from), between, Math.ceil(to)];
}

/** Whether a width is fractional. */
export const isBetween = (width: number): boolean => !Number.isInteger(width);

/** All whole widths of a range, ascending. */
export const wholeWidths = ({ from, to }: WidthRange): number[] =>
	Array.from({ length: to - from + 1 }, (_, i) => from + i);
