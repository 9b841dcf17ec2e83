import { compareCuts, isEmpty, type Cut, type IntervalSet } from '../interval/index.ts';

/** Whether a sheet starts from narrow and overrides from some width up, or the other way round. */
export type Direction = 'up' | 'down';

const reachesFar = ({ startsInside, cuts }: IntervalSet): boolean => startsInside !== (cuts.length % 2 === 1);

/** The direction of a sheet, from the widths of its conditions: up where at least half of them have no upper end. */
export function directionOf(conditions: readonly IntervalSet[]): Direction {
	const up = conditions.filter((set) => !set.startsInside && reachesFar(set)).length;
	const down = conditions.filter((set) => set.startsInside && !reachesFar(set)).length;
	return down > up ? 'down' : 'up';
}

const lowest = ({ startsInside, cuts }: IntervalSet): Cut | null => (startsInside ? null : (cuts[0] ?? null));
const highest = (set: IntervalSet): Cut | null => (reachesFar(set) ? null : (set.cuts.at(-1) ?? null));

/**
 * Whether a block for some widths comes before one for others, in a sheet of that direction: upwards the one that
 * begins lower, downwards the one that ends higher. Where both hold, the later one overrides the other.
 */
export function standsBefore(widths: IntervalSet, other: IntervalSet, direction: Direction): boolean {
	if (isEmpty(widths) || isEmpty(other)) return false;
	const [mine, its] =
		direction === 'up' ? [lowest(widths), lowest(other)] : [highest(widths), highest(other)];
	if (!its) return false;
	return !mine || (direction === 'up' ? compareCuts(mine, its) < 0 : compareCuts(mine, its) > 0);
}
