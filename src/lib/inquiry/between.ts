import { HELD_LONGHANDS } from '../core/wake/hold.ts';
import { pathsOf } from '../core/findings/index.ts';
import { FLAG } from '../core/snapshot/index.ts';
import { outermost, type Seen } from '../core/wake/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import { nameAt, readPath, type Page } from '../core/html/index.ts';
import type { PageContent } from '../stage/protocol.ts';
import type { MeasuringLayout } from './layout.ts';
import { seenAt } from './wake.ts';

/** What on a page differs from both sides. */
export interface Unlike {
	readonly count: number;
	/** The names of the first of the outermost ones. */
	readonly names: readonly string[];
}

/** The largest difference between boxes at adjacent px that is not a jump, CSS px. */
const LEAP = 2;
/** At most so many are named. */
const MOST = 4;

/** Whether an element differs between two layouts of a page: its box by more than usual from one px to the next. */
function isUnlike(a: Seen, b: Seen, i: number): boolean {
	const shows = ({ snapshot }: Seen): boolean => ((snapshot.flags[i] ?? 0) & FLAG.shown) !== 0;
	const leaps = [2, 3].some(
		(side) => Math.abs((a.snapshot.boxes[4 * i + side] ?? 0) - (b.snapshot.boxes[4 * i + side] ?? 0)) > LEAP
	);
	if (shows(a) !== shows(b)) return true;
	return shows(b) && (leaps || a.values.texts[i] !== b.values.texts[i]);
}

/**
 * What on a page differs at a width from both a narrower and a wider one: in a value, in whether it shows, or in a
 * size that jumps. Measured.
 */
export async function unlikeBoth(
	page: Page,
	content: PageContent,
	layout: MeasuringLayout,
	as: SeenVantage,
	[below, between, above]: readonly [number, number, number],
	signal: AbortSignal
): Promise<Unlike | undefined> {
	const values = { longhands: [...HELD_LONGHANDS], selectors: [] };
	const seen = await seenAt(content, layout, as, [below, between, above], values, signal);
	const [a, b, c] = [seen.get(below), seen.get(between), seen.get(above)];
	if (!a || !b || !c) return undefined;
	const paths = pathsOf(b.snapshot);
	const unlike = paths.filter((_, i) => isUnlike(a, b, i) && isUnlike(b, c, i));
	const names = outermost(unlike).map(({ path }) => nameAt(page, readPath(path), 'something'));
	return { count: unlike.length, names: [...new Set(names)].slice(0, MOST) };
}
