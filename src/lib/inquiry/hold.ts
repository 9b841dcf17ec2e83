import { contains, rationalFromNumber, type Cut, type IntervalSet } from '../core/interval/index.ts';
import { firstWidths, foundIn, type Readings, type WidthRange } from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import { changedElements, changesIn, sortedCuts, type Changed } from '../core/wake/index.ts';
import { fromHeld, HELD_LONGHANDS, isHeld, toHold, type Hold, type Measurement } from '../core/wake/hold.ts';
import type { PageContent } from '../stage/protocol.ts';
import type { MeasuringLayout } from './layout.ts';
import { seenAt } from './wake.ts';

/** A Hold is measured at the ends of bands, and at this distance inside them, CSS px. */
const GRID = 128;

const VALUES = { longhands: [...HELD_LONGHANDS], selectors: [] };

/** A page laid out in a vantage. */
export interface HeldPage {
	readonly path: string;
	readonly content: PageContent;
	readonly layout: MeasuringLayout;
	readonly as: SeenVantage;
	/** Where conditions change. */
	readonly cuts: readonly Cut[];
}

/**
 * Measures a page at some widths for a Hold.
 *
 * @throws {Error} where it could not be measured at each of them
 */
export async function measureHeld(
	{ path, content, layout, as, cuts }: HeldPage,
	widths: IntervalSet,
	stretch: WidthRange,
	signal: AbortSignal
): Promise<Measurement> {
	const all = firstWidths(stretch, sortedCuts([...cuts, ...widths.cuts]), GRID);
	const at = all.filter((width) => contains(widths, rationalFromNumber(width)));
	const seen = await seenAt(content, layout, as, at, VALUES, signal);
	if (seen.size < at.length || at.length === 0)
		throw new Error('The page could not be measured, so nothing is held.');
	return {
		page: path,
		longhands: VALUES.longhands,
		widths: at.flatMap((width) => {
			const one = seen.get(width);
			return one ? [toHold(width, one)] : [];
		})
	};
}

/**
 * What differs from a Hold's measurement.
 *
 * @throws {Error} where the page could not be measured at each of its widths
 */
export async function changedFrom(
	{ path, content, layout, as, cuts }: HeldPage,
	hold: Pick<Hold, 'scope' | 'element' | 'allowed'>,
	{ widths }: Measurement,
	signal: AbortSignal
): Promise<Changed[]> {
	const at = widths.map(({ width }) => width);
	const seen = await seenAt(content, layout, as, at, VALUES, signal);
	const known = new Map<number, Readings>();
	for (const held of widths) {
		const now = seen.get(held.width);
		if (!now) throw new Error(`${path} could not be measured at ${held.width} px.`);
		const changes = changesIn(fromHeld(held), now);
		const own = [...changes].filter(([key]) => isHeld(hold, key.split(' ')[1] ?? ''));
		known.set(held.width, new Map(own));
	}
	return changedElements(foundIn(known, cuts));
}
