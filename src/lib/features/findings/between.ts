import { HELD_LONGHANDS } from '$lib/core/wake/hold.ts';
import { pathsOf } from '$lib/core/findings/index.ts';
import { FLAG } from '$lib/core/snapshot/index.ts';
import { outermost, type Seen } from '$lib/core/wake/index.ts';
import type { SeenVantage } from '$lib/core/vantage/index.ts';
import { nameAt, readPath } from '$lib/core/html/index.ts';
import type { Swept } from './sweeping.svelte.ts';
import { seenAt } from '$lib/inquiry/wake.ts';

/** What of a page is unlike what it is on both sides. */
export interface Unlike {
	readonly count: number;
	/** The outermost of them, by name: the first ones. */
	readonly names: readonly string[];
}

/** So much a box may differ by from one px to the next without a leap, CSS px. */
const LEAP = 2;
/** So many are named. */
const MOST = 4;

/** Whether an element is otherwise in one of two layouts of a page: its box by more than from one px to the next. */
function isUnlike(a: Seen, b: Seen, i: number): boolean {
	const shows = ({ snapshot }: Seen): boolean => ((snapshot.flags[i] ?? 0) & FLAG.shown) !== 0;
	const leaps = [2, 3].some(
		(side) => Math.abs((a.snapshot.boxes[4 * i + side] ?? 0) - (b.snapshot.boxes[4 * i + side] ?? 0)) > LEAP
	);
	if (shows(a) !== shows(b)) return true;
	return shows(b) && (leaps || a.values.texts[i] !== b.values.texts[i]);
}

/**
 * What of a page is otherwise at a width than at a narrower and at a wider one: in a value, in whether it shows, or in a
 * size that leaps. Measured.
 */
export async function unlikeBoth(
	{ page, stages }: Swept,
	as: SeenVantage,
	[below, between, above]: readonly [number, number, number],
	signal: AbortSignal
): Promise<Unlike | undefined> {
	const values = { longhands: [...HELD_LONGHANDS], selectors: [] };
	const seen = await seenAt(
		page.content(stages.prefix, as),
		stages,
		as,
		[below, between, above],
		values,
		signal
	);
	const [a, b, c] = [seen.get(below), seen.get(between), seen.get(above)];
	if (!a || !b || !c) return undefined;
	const paths = pathsOf(b.snapshot);
	const unlike = paths.filter((_, i) => isUnlike(a, b, i) && isUnlike(b, c, i));
	const names = outermost(unlike).map(({ path }) => nameAt(page.page, readPath(path), 'something'));
	return { count: unlike.length, names: [...new Set(names)].slice(0, MOST) };
}
