import { figure } from '../box/index.ts';
import { blockOf, FLAG, type Snapshot } from '../snapshot/index.ts';
import { has, lineEdges } from './geometry.ts';
import type { Kind, Reading } from './kind.ts';
import { byKey } from './line.ts';

/** Fewer words per line are too few; with fewer rows nothing is reported. */
const [WORDS, ROWS] = [1.5, 3];
/** Further from the limit than this, nothing is recorded, words per line. */
const APART = 3;

/** The number of rows that lines form: a line that begins below the middle of the previous row begins a new one. */
function rowsOf(lines: readonly { readonly top: number; readonly bottom: number }[]): number {
	let [count, middle] = [0, -Infinity];
	for (const { top, bottom } of [...lines].sort((a, b) => a.top - b.top)) {
		if (top < middle) continue;
		count++;
		middle = (top + bottom) / 2;
	}
	return count;
}

/** The elements whose lines are broken on purpose. */
const brokenIn = ({ tags, parent }: Snapshot): Set<number> =>
	new Set(tags.flatMap((tag, i) => (tag === 'br' ? (parent[i] ?? -1) : [])));

/**
 * A block of text has hardly more than one word per line. Lines that are broken on purpose, or run vertically, are
 * left out.
 */
export const column: Kind = {
	name: 'column',
	title: 'a column fits only one word per line',
	severity: 'slight',
	limit: { value: WORDS, unit: 'words a line', below: true },
	sentence: ({ name, by }) => `${name} has ${figure(by)} words per line.`,
	read: (snapshot) => {
		const broken = brokenIn(snapshot);
		const lines = [...snapshot.lineOf].flatMap((of, i) =>
			has(snapshot, of, FLAG.shown)
				? [{ of, words: snapshot.lineWords[i] ?? 0, ...lineEdges(snapshot, i) }]
				: []
		);
		return [...byKey(lines, ({ of }) => blockOf(snapshot, of))].flatMap(([element, own]): Reading[] => {
			const rows = rowsOf(own);
			if (rows < ROWS || has(snapshot, element, FLAG.vertical) || broken.has(element)) return [];
			const value = WORDS - own.reduce((sum, { words }) => sum + words, 0) / rows;
			return value > -APART ? [{ element, value }] : [];
		});
	}
};
