import { childrenOf, FLAG, shownAmong, visualRows, type Snapshot } from '../snapshot/index.ts';
import { has } from './geometry.ts';
import type { Kind, Reading } from './kind.ts';

/** Widths that differ by no more count as equal, px. */
const ALIKE = 1;

/** How the children of a container are arranged, in words; null where there is no row. */
function standing(snapshot: Snapshot, children: readonly number[]): string | null {
	const inFlow = children.filter((i) => !has(snapshot, i, FLAG.absolute | FLAG.fixed));
	const placed = shownAmong(snapshot, inFlow);
	if (placed.length < 2) return null;
	const rows = visualRows(placed);
	const [first = []] = rows;
	const order = rows.flat().map(({ index }) => index);
	const inOrder = order.every((index, i) => i === 0 || index > (order[i - 1] ?? 0));
	const widths = first.map(({ width }) => width);
	const alike = Math.max(...widths) - Math.min(...widths) <= ALIKE;
	const even = rows.slice(0, -1).every(({ length }) => length === first.length);
	const count =
		rows.length === 1
			? `${placed.length} in one row`
			: rows.every(({ length }) => length === 1)
				? 'one below another'
				: alike && even && first.length > 1
					? `${first.length} in a row`
					: 'several rows';
	return inOrder ? count : `${count}, in the order ${order.map((index) => index + 1).join(' ')}`;
}

/**
 * The children of a flex or grid container are rearranged, by their number per row or their order, where no condition
 * changes.
 */
export const row: Kind = {
	name: 'row',
	title: 'a row changes its count or order away from any breakpoint',
	severity: 'slight',
	limit: null,
	sentence: ({ name, turns }) => {
		const told = turns
			.slice(0, 3)
			.map(({ before, after, from, to }) => `${from} at ${before}, ${to} at ${after}`);
		const more = turns.length > 3 ? `; ${turns.length - 3} more` : '';
		return `What is in ${name} changes where no condition does: ${told.join('; ')}${more}.`;
	},
	read: (snapshot) =>
		childrenOf(snapshot).flatMap((children, element): Reading[] => {
			if (!has(snapshot, element, FLAG.flexContainer | FLAG.gridContainer)) return [];
			const value = standing(snapshot, children);
			return value === null ? [] : [{ element, value }];
		})
};
