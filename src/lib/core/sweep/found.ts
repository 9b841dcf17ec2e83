import {
	compare,
	fromInterval,
	NOTHING,
	rationalFromNumber,
	union,
	type Cut,
	type IntervalSet
} from '../interval/index.ts';
import type { Turn } from '../findings/index.ts';
import { changes, isBetween, unshifted, type ReadingsByWidth, type Shift } from './known.ts';

/** The widths at which something was found. */
export interface Found {
	readonly key: string;
	/**
	 * The measured widths, and the stretches between two adjacent measured ones that both have it; for changes the two
	 * px of each.
	 */
	readonly widths: IntervalSet;
	/**
	 * The width at which it is furthest beyond its limit, and by how much; for changes the first one, and how many
	 * there are.
	 */
	readonly worst: number;
	readonly by: number;
	/** Whether every end, or change, lies between two adjacent measured px. */
	readonly exact: boolean;
	/** Changes of state that no condition causes. */
	readonly turns: readonly Turn[];
}

/** The cut at which a condition changes between two adjacent measured widths; undefined where none does. */
const cutBetween = (cuts: readonly Cut[], a: number, b: number): Cut | undefined =>
	cuts.find(({ at, after }) => {
		const [low, high] = [compare(at, rationalFromNumber(a)), compare(at, rationalFromNumber(b))];
		return (low > 0 || (low === 0 && after)) && (high < 0 || (high === 0 && !after));
	});

/** The widths at which something is beyond its limit. */
function beyondLimit(
	key: string,
	widths: readonly number[],
	beyond: readonly number[],
	cuts: readonly Cut[]
): Found {
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
	return { key, widths: set, worst: widths[beyond.indexOf(by)] ?? 0, by, exact, turns: [] };
}

/** The changes of something's state between whole px that no condition causes; undefined where there are none. */
function turned(
	key: string,
	known: ReadingsByWidth,
	widths: readonly number[],
	cuts: readonly Cut[]
): Found | undefined {
	const whole = widths.filter((width) => !isBetween(width));
	const turns = whole.flatMap((after, i): Turn[] => {
		const before = whole[i - 1];
		const [from, to] = [known.get(before ?? NaN)?.get(key), known.get(after)?.get(key)];
		if (before === undefined || typeof from !== 'string' || typeof to !== 'string') return [];
		return changes(from, to) && !cutBetween(cuts, before, after) ? [{ before, after, from, to }] : [];
	});
	const [first] = turns;
	return (
		first && {
			key,
			widths: turns.reduce(
				(set, { before, after }) =>
					union(
						set,
						fromInterval({
							lo: rationalFromNumber(before),
							loClosed: true,
							hi: rationalFromNumber(after),
							hiClosed: true
						})
					),
				NOTHING
			),
			worst: first.before,
			by: turns.length,
			exact: turns.every(({ before, after }) => after - before === 1),
			turns
		}
	);
}

/**
 * What was found, with its widths, by key: ends are measured px or, where a condition changes between two px, exactly
 * that cut, open or closed. Keys without a shift are not looked for.
 */
export function foundIn(known: ReadingsByWidth, cuts: readonly Cut[], shift: Shift = unshifted): Found[] {
	const shifts = new Map<string, number | undefined>();
	const shiftOf = (key: string): number | undefined => {
		if (!shifts.has(key)) shifts.set(key, shift(key));
		return shifts.get(key);
	};
	const widths = [...known.keys()].sort((a, b) => a - b);
	const beyond = new Set<string>();
	const states = new Map<string, string | null>();
	for (const readings of known.values()) {
		for (const [key, value] of readings) {
			const by = shiftOf(key);
			if (by === undefined) continue;
			if (typeof value === 'number') {
				if (value + by > 0) beyond.add(key);
			} else if (states.get(key) !== null) {
				const same = !states.has(key) || states.get(key) === value;
				states.set(key, same ? value : null);
			}
		}
	}
	const turning = [...states].flatMap(([key, state]) => (state === null ? key : []));
	return [
		...[...beyond].map((key) =>
			beyondLimit(
				key,
				widths,
				widths.map((width) => {
					const value = known.get(width)?.get(key);
					return typeof value === 'number' ? value + (shiftOf(key) ?? 0) : -Infinity;
				}),
				cuts
			)
		),
		...turning.flatMap((key) => turned(key, known, widths, cuts) ?? [])
	];
}
