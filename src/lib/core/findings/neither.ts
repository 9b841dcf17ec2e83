import {
	fromInterval,
	intersection,
	isEmpty,
	isWhole,
	type Interval,
	type IntervalSet
} from '../interval/index.ts';
import { isMeantGap, wholePixels, type Bands, type MediaSite } from '../media/index.ts';
import type { Kind } from './kind.ts';

/** Found from conditions, not from a layout. */
export const neither: Omit<Kind, 'sentence' | 'read'> = {
	name: 'neither',
	title: 'neither half of a breakpoint holds',
	// Severe where something is visible there.
	severity: 'slight',
	// The site's own convention, where its halves are usually this far apart.
	limit: { value: 0, unit: 'px' }
};

/** The stretch between two px in which neither half of a breakpoint holds. */
export interface Neither {
	readonly interval: Interval;
	/** The conditions that end where it begins, and those that begin where it ends. */
	readonly below: readonly MediaSite[];
	readonly above: readonly MediaSite[];
}

/** Whether a condition holds on one side of a stretch and not inside it, by the widths at which it holds. */
const endsAt = (holds: IntervalSet, stretch: Interval): boolean =>
	isEmpty(intersection(holds, fromInterval(stretch)));

/**
 * The stretches without a whole px between two conditions of which neither holds there (`max-width: 599px` and
 * `min-width: 600px`, Media Queries 5 §4.3 on fractional widths), except intended ones: no wider than `meant`, CSS
 * px.
 */
export function neitherHolds(
	{ bands, thresholds }: Bands,
	widthsOf: (site: MediaSite) => IntervalSet,
	meant = 0
): Neither[] {
	return bands.flatMap(({ interval }, i): Neither[] => {
		const [before, after] = [thresholds[i - 1], thresholds[i]];
		if (!before || !after || wholePixels(interval, [0, Infinity])) return [];
		if (isMeantGap(interval, meant)) return [];
		if (interval.loClosed && isWhole(interval.lo)) return [];
		const ending = (sites: readonly MediaSite[]) => sites.filter((site) => endsAt(widthsOf(site), interval));
		const [below, above] = [ending(before.causes), ending(after.causes)];
		return below.length > 0 && above.length > 0 ? [{ interval, below, above }] : [];
	});
}
