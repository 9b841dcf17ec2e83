import type { Candidate, Outcome } from '$lib/core/cascade/index.ts';
import type { Cell, Row } from '$lib/core/collation/index.ts';
import {
	equal,
	EVERYTHING,
	fromInterval,
	intersection,
	rationalFromNumber,
	ZERO,
	type Interval,
	type IntervalSet
} from '$lib/core/interval/index.ts';
import type { Column } from '$lib/inquiry/collation.ts';
import type { Result } from '$lib/core/text/index.ts';
import { directionAt, takeOutAll, type Desk } from '$lib/writing/declaration.ts';
import type { RulePlace } from '$lib/writing/choosing.ts';
import type { Choice } from '$lib/writing/targets.ts';
import type { Collating, ShownColumn } from './collating.svelte.ts';

/** The widths for which a value is written: relative to a column, or to a chosen width that splits a band. */
export type Extent = 'here' | 'up' | 'down' | 'everywhere' | 'from' | 'under';

/** A value being edited. */
export interface PendingValue {
	readonly row: Row;
	readonly column: ShownColumn;
	readonly cell: Cell;
	/** The property to be written: the row's, or other sides of the box. */
	readonly property: string;
	/** The properties that could be written instead; none where there are no sides. */
	readonly sides: readonly string[];
	readonly value: string;
	readonly extent: Extent;
	/** The chosen width from which up, or under which, it is to hold, CSS px. */
	readonly at: number;
	readonly choices: readonly Choice[];
	/** The index of the chosen place. */
	readonly into: number;
	/** Whether a person has chosen it. */
	readonly isChosen: boolean;
	/** Where new rules go. */
	readonly place: RulePlace;
}

/** Declarations, each once. */
export const once = (all: readonly Candidate[]): Candidate[] =>
	all.filter(
		(one, i) => all.findIndex(({ file, span }) => file === one.file && span.start === one.span.start) === i
	);

/** Removes the declarations of cells. */
export const withoutCells = (desk: Desk, cells: readonly Cell[]): Result =>
	takeOutAll(desk, once(cells.flatMap(({ outcome }) => outcome.own.winner ?? [])));

/** The widths of an extent from a column; null where it has no condition. */
export function intervalOf(extent: Extent, { interval }: Column, at: number): Interval | null {
	if (extent === 'everywhere') return null;
	if (extent === 'from') return { lo: rationalFromNumber(at), loClosed: true, hi: null, hiClosed: false };
	if (extent === 'under') return { lo: ZERO, loClosed: false, hi: rationalFromNumber(at), hiClosed: false };
	const requested: Interval = {
		...interval,
		...(extent === 'up' ? { hi: null, hiClosed: false } : {}),
		...(extent === 'down' ? { lo: ZERO, loClosed: false } : {})
	};
	return requested.lo.n <= 0n && requested.hi === null ? null : requested;
}

/** The widths of an extent as a set. */
export function widthsOf(extent: Extent, column: Column, at = 1): IntervalSet {
	const interval = intervalOf(extent, column, at);
	return interval ? fromInterval(interval) : EVERYTHING;
}

/**
 * The extent that a value has so far, where it can be expressed from its column; otherwise the sheet's own direction.
 */
export function extentSoFar(
	{ looked, columns }: Collating,
	outcome: Outcome,
	column: ShownColumn,
	choice: Choice | undefined,
	desk: Desk
): Extent {
	if (columns.length < 2 || choice?.target.kind === 'style') return 'everywhere';
	const direction = choice ? directionAt(desk, choice.target) : 'up';
	const winner = outcome.kind === 'own' ? outcome.own.winner : undefined;
	const media = winner?.conditions.every(({ kind }) => kind === 'media') ?? false;
	if (!winner || !looked || !media) return direction;
	const widths = winner.conditions.reduce<IntervalSet>(
		(set, one) =>
			one.kind === 'media' ? intersection(set, looked.page.widthsOf(one.queries, looked.lead)) : set,
		EVERYTHING
	);
	const all: readonly Extent[] = [direction, direction === 'up' ? 'down' : 'up', 'here'];
	return all.find((one) => equal(widthsOf(one, column), widths)) ?? direction;
}
