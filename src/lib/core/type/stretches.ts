import { compareCuts, type Cut } from '../interval/index.ts';
import type { Over } from '../length/index.ts';
import type { Bands } from '../media/index.ts';

/** The ranges of some widths in which no condition changes, ascending. */
export function stretchesOf({ thresholds }: Bands, { from, to }: Over): Over[] {
	const inside = thresholds.flatMap(({ cut }) =>
		compareCuts(from, cut) < 0 && compareCuts(cut, to) < 0 ? [cut] : []
	);
	const ends: readonly Cut[] = [from, ...inside, to];
	return ends.slice(1).map((end, i) => ({ from: ends[i] ?? from, to: end }));
}
