import { toNumber, type Interval } from '../interval/index.ts';

/** Whole widths from one to another, both of them too, CSS px. */
export interface WidthRange {
	readonly from: number;
	readonly to: number;
}

/**
 * What was read at a width: by what it is and where (a key of its kind), how far it is beyond its limit. Over 0 it is
 * there; up to 0 it is not, by so much; what is far from it or cannot be told is left out. Or in which state it is, in
 * words, where changes of that are looked for.
 */
export type Readings = ReadonlyMap<string, number | string>;

/** How far what a key is known by is moved before it is held against 0; undefined where it is not looked for. */
export type Shift = (key: string) => number | undefined;

export const unshifted: Shift = () => 0;

/** Whether something changes between two readings of it: it is there in one alone, or in another state. */
export const changes = (a: number | string | undefined, b: number | string | undefined, by = 0): boolean =>
	typeof a === 'string' || typeof b === 'string'
		? a !== b && a !== undefined && b !== undefined
		: (a ?? NaN) + by > 0 !== (b ?? NaN) + by > 0;

/** What is known of a page, by width, CSS px. */
export type ReadingsByWidth = ReadonlyMap<number, Readings>;

/** Layout is measured at parts of a px that are so fine. */
export const FINE = 1 / 16;

/** A width between two others, as fine as layout is measured, near their middle; undefined where none lies there. */
export function widthBetween(from: number, to: number): number | undefined {
	const width = Math.round((from + to) / 2 / FINE) * FINE;
	return from < width && width < to ? width : undefined;
}

/** A width in a stretch between two px, and these; undefined where it is too narrow to be laid out. */
export function widthsAround({ lo, hi }: Interval): readonly [number, number, number] | undefined {
	const [from, to] = [toNumber(lo), hi ? toNumber(hi) : Infinity];
	const between = widthBetween(from, to);
	return between === undefined ? undefined : [Math.floor(from), between, Math.ceil(to)];
}

/** Whether a width lies between whole ones. */
export const isBetween = (width: number): boolean => !Number.isInteger(width);

/** All whole widths of a stretch, ascending. */
export const wholeWidths = ({ from, to }: WidthRange): number[] =>
	Array.from({ length: to - from + 1 }, (_, i) => from + i);
