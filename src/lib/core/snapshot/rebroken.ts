import { blockOf } from './block.ts';
import { childrenOf, shownAmong, visualRows } from './laidOut.ts';
import { FLAG, type Snapshot } from './snapshot.ts';

/** An element whose text, or whose children, take more or fewer lines than before. */
export interface Rebroken {
	readonly element: number;
	readonly what: 'lines' | 'rows';
	readonly from: number;
	readonly to: number;
}

/** The number of lines of each block's text, including inline elements in it, by the block's index. */
function lineCounts(snapshot: Snapshot): Map<number, number> {
	const { lineOf, lines } = snapshot;
	const rows = new Map<number, { readonly top: number; readonly height: number }[]>();
	lineOf.forEach((of, i) => {
		const block = blockOf(snapshot, of);
		const [top = 0, , height = 0] = lines.subarray(4 * i + 1);
		rows.set(block, [...(rows.get(block) ?? []), { top, height }]);
	});
	return new Map(
		[...rows].map(([block, all]) => {
			let [count, last] = [0, -Infinity];
			for (const { top, height } of all.sort((a, b) => a.top - b.top)) {
				if (top - last < height / 2) continue;
				count++;
				last = top;
			}
			return [block, count];
		})
	);
}

/** The number of rows of the children of each flex or grid container, by its index. */
function rowCounts(snapshot: Snapshot): Map<number, number> {
	const children = childrenOf(snapshot);
	return new Map(
		[...snapshot.flags].flatMap((flags, i): [number, number][] =>
			(flags & (FLAG.flexContainer | FLAG.gridContainer)) === 0
				? []
				: [[i, visualRows(shownAmong(snapshot, children[i] ?? [])).length]]
		)
	);
}

/**
 * The elements that take more or fewer lines in one snapshot of a page than in another, in document order; none where
 * the elements themselves differ.
 */
export function rebroken(a: Snapshot, b: Snapshot): Rebroken[] {
	if (a.count !== b.count) return [];
	const pairs = [
		{ what: 'lines' as const, was: lineCounts(a), is: lineCounts(b) },
		{ what: 'rows' as const, was: rowCounts(a), is: rowCounts(b) }
	];
	return pairs
		.flatMap(({ what, was, is }) =>
			[...was].flatMap(([element, from]): Rebroken[] => {
				const to = is.get(element);
				return to === undefined || to === from ? [] : [{ element, what, from, to }];
			})
		)
		.sort((one, other) => one.element - other.element);
}
