/** Something at one place of the Measure that wants words beside it, px from its left end. */
export interface Mark<X> {
	readonly at: number;
	readonly of: X;
}

/** Marks that stand so close that they share their words. */
export type Cluster<X> = readonly Mark<X>[];

/** Gathers marks, ascending, into clusters whose neighbours are at least `room` px apart. */
export function clusters<X>(marks: readonly Mark<X>[], room: number): Cluster<X>[] {
	const found: Mark<X>[][] = [];
	for (const mark of marks) {
		const last = found.at(-1);
		const before = last?.at(-1);
		if (last && before && mark.at - before.at < room) last.push(mark);
		else found.push([mark]);
	}
	return found;
}
