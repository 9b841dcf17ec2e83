import {
	compare,
	fromInterval,
	NOTHING,
	rationalFromNumber,
	union,
	type Cut,
	type IntervalSet
} from '../interval/index.ts';
import type { Known } from './known.ts';

/** Where something was found. */
export interface Found {
	readonly key: string;
	/** What was measured, and what lies between two that were and both have it. */
	readonly widths: IntervalSet;
	/** The width at which it is farthest beyond its limit, and by how much. */
	readonly worst: number;
	readonly by: number;
	/** Whether every end stands between two neighbouring px that were measured. */
	readonly exact: boolean;
}

/** The cut at which a condition changes between two widths that were measured side by side; undefined where none does. */
const cutBetween = (cuts: readonly Cut[], a: number, b: number): Cut | undefined =>
	cuts.find(({ at, after }) => {
		const [low, high] = [compare(at, rationalFromNumber(a)), compare(at, rationalFromNumber(b))];
		return (low > 0 || (low === 0 && after)) && (high < 0 || (high === 0 && !after));
	});

/**
 * What was found, each with its widths, by key: ends are those of the measured px, or, where a condition changes between
 * two px, that very cut, open or closed as it is.
 */
export function foundIn(known: Known, cuts: readonly Cut[]): Found[] {
	const widths = [...known.keys()].sort((a, b) => a - b);
	const keys = new Set<string>();
	for (const readings of known.values()) for (const [key, by] of readings) if (by > 0) keys.add(key);
	return [...keys].map((key): Found => {
		const beyond = widths.map((width) => known.get(width)?.get(key) ?? -Infinity);
		let set: IntervalSet = NOTHING;
		let exact = true;
		let begin: { readonly at: number; readonly cut: Cut | undefined } | undefined;
		beyond.forEach((by, i) => {
			const [width = 0, before, after] = [widths[i], widths[i - 1], widths[i + 1]];
			if (by <= 0) return;
			if (!begin || (beyond[i - 1] ?? 0) <= 0) {
				begin = { at: width, cut: before === undefined ? undefined : cutBetween(cuts, before, width) };
				if (before !== undefined && width - before > 1) exact = false;
			}
			if ((beyond[i + 1] ?? 0) > 0) return;
			if (after !== undefined && after - width > 1) exact = false;
			const end = after === undefined ? undefined : cutBetween(cuts, width, after);
			set = union(
				set,
				fromInterval({
					lo: begin.cut?.at ?? rationalFromNumber(begin.at),
					loClosed: begin.cut ? !begin.cut.after : true,
					hi: end?.at ?? rationalFromNumber(width),
					hiClosed: end ? end.after : true
				})
			);
		});
		const by = Math.max(...beyond);
		return { key, widths: set, worst: widths[beyond.indexOf(by)] ?? 0, by, exact };
	});
}
