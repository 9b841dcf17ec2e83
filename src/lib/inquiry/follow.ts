import {
	changesBetween,
	nextWidths,
	piecesOf,
	valueOf,
	type Change,
	type CurvePiece,
	type Value
} from '../core/curve/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { Cut } from '../core/interval/index.ts';
import {
	coverage,
	firstWidths,
	remainingWidths,
	type Readings,
	type WidthRange
} from '../core/sweep/index.ts';
import type { PageContent, Viewport } from '../stage/protocol.ts';
import type { MeasuringLayout } from './layout.ts';
import { READINGS } from './readings.ts';
import { inRounds, PORTION, type Phase } from './rounds.ts';
import { GRID } from './sweep.ts';

/** Values from layout, which are rounded; others are exact as printed. */
const LAID_OUT =
	/^(box:|width|height|inline-size|block-size|margin|padding|inset|top$|right$|bottom$|left$|grid-template|transform|perspective)/;

/** The precision of a property's values, in its own unit. */
export const toleranceOf = (property: string): number => (LAID_OUT.test(property) ? 3 / 64 : 1 / 500);

/** How long results are gathered before they are reported, ms. */
const GATHER = 300;

/** The question about an element of which a property (or a part of its box) is followed. */
export const followedOn = (path: ElementPath, property: string): NonNullable<PageContent['followed']> => ({
	path: [...path],
	longhands: property.startsWith('box:') ? [] : [property]
});

/** A value that is followed over some widths. */
export interface FollowedValue {
	readonly layout: MeasuringLayout;
	/** The question for `followedOn`. */
	readonly content: PageContent;
	readonly viewport: Viewport;
	readonly property: string;
	readonly stretch: WidthRange;
	/** Where conditions change. */
	readonly cuts: readonly Cut[];
}

/** The progress of following a value. */
export interface FollowReport {
	/** What was read since the last report, by width. */
	readonly values: readonly (readonly [width: number, value: Value])[];
	readonly pieces: readonly CurvePiece[];
	readonly changes: readonly Change[];
	readonly coverage: ReturnType<typeof coverage>;
	readonly phase: Phase;
}

/**
 * Follows a value of an element over widths, until each is known or the signal ends it; reports progress. Widths
 * in `read` are not measured again.
 *
 * @throws {Error} where there is no such element
 */
export async function follow(
	{ layout, content, viewport, property, stretch, cuts }: FollowedValue,
	read: Map<number, Readings>,
	keep: (read: ReadonlyMap<number, Readings>) => void,
	signal: AbortSignal,
	hear: (report: FollowReport) => unknown
): Promise<void> {
	const known = new Map<number, Value>();
	const tolerance = toleranceOf(property);
	let phase: Phase = 'quick';
	let fresh: (readonly [number, Value])[] = [];
	let reportedAt = performance.now();
	const take = (width: number, readings: Readings): void => {
		const text = readings.get(property);
		if (text === undefined) return;
		const value = valueOf(String(text));
		known.set(width, value);
		fresh.push([width, value]);
	};
	const report = async (): Promise<void> => {
		reportedAt = performance.now();
		if (signal.aborted) return;
		const pieces = piecesOf(known, tolerance);
		const changes = changesBetween(pieces, tolerance);
		const values = fresh;
		fresh = [];
		await hear({ values, pieces, changes, coverage: coverage(known, stretch), phase });
	};
	for (const [width, readings] of read) take(width, readings);
	await report();
	await inRounds({
		first: firstWidths(stretch, cuts, GRID).filter((width) => !known.has(width)),
		next: () => nextWidths(piecesOf(known, tolerance)),
		remaining: () => remainingWidths(known, stretch, PORTION),
		async measure(widths, priority) {
			const portion = new Map<number, Readings>();
			for await (const one of layout.read({ content, viewport, widths, priority, signal })) {
				const readings = READINGS.parse(one.readings);
				portion.set(one.width, readings);
				read.set(one.width, readings);
				take(one.width, readings);
				if (performance.now() - reportedAt > GATHER) await report();
			}
			keep(portion);
			await report();
			if (!signal.aborted && ![...portion.keys()].some((width) => known.has(width)))
				throw new Error('There is no such element, or the stage measured nothing.');
		},
		onphase: (next) => (phase = next),
		isPaused: () => false,
		signal
	});
	await report();
}

/** The whole px on both sides of a change. */
export function edgesOf({ kind, at, before, after }: Change): [number, number] {
	if (kind !== 'knee') return [Math.floor(before), Math.ceil(after)];
	const below = Math.ceil(at) - 1;
	return [below, below + 1];
}
