import { diffArrays } from 'diff';

/** A run of lines that two texts share: `count` lines from `before` in one and from `after` in the other. */
interface SharedRun {
	readonly before: number;
	readonly after: number;
	readonly count: number;
}

/**
 * Differences of more added and removed lines are not computed: the effort grows with the square of their number.
 */
const MOST_EDITS = 1000;

/**
 * The lines that two texts share. Beyond `MOST_EDITS` changed lines, only those at the beginning and the end are
 * found, and everything in between counts as changed.
 */
export function sharedLines(before: readonly string[], after: readonly string[]): SharedRun[] {
	const least = Math.min(before.length, after.length);
	let head = 0;
	while (head < least && before[head] === after[head]) head++;
	let tail = 0;
	while (tail < least - head && before.at(-1 - tail) === after.at(-1 - tail)) tail++;
	const runs: SharedRun[] = [];
	const share = (a: number, b: number, count: number): void => {
		if (count > 0) runs.push({ before: a, after: b, count });
	};
	share(0, 0, head);
	const middle = (lines: readonly string[]): string[] => lines.slice(head, lines.length - tail);
	const parts = diffArrays(middle(before), middle(after), { maxEditLength: MOST_EDITS });
	let [a, b] = [head, head];
	for (const { added, removed, count } of parts ?? []) {
		if (!added && !removed) share(a, b, count);
		if (!added) a += count;
		if (!removed) b += count;
	}
	share(before.length - tail, after.length - tail, tail);
	return runs;
}
