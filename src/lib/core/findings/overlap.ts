import { figure } from '../box/index.ts';
import { FLAG, type Snapshot } from '../snapshot/index.ts';
import { has, isAround, isIn, lineEdges, unclipped, type Edges } from './geometry.ts';
import type { Kind, Reading } from './kind.ts';

/** Boxes of lines reach beyond their letters: so much of the lower one's height may be shared, and so many px in width. */
const [SHARED, BESIDE] = [0.4, 2];
/** What is so far apart is left out, px. */
const APART = 24;

interface Line extends Edges {
	readonly of: number;
}

/** Lines that are seen, by their tops. */
function seenLines(snapshot: Snapshot): Line[] {
	return [...snapshot.lineOf]
		.flatMap((of, i): Line[] => {
			if (!has(snapshot, of, FLAG.shown) || isIn(snapshot, of, FLAG.fixed | FLAG.sticky)) return [];
			const seen = unclipped(snapshot, of, lineEdges(snapshot, i));
			return seen ? [{ of, ...seen }] : [];
		})
		.sort((a, b) => a.top - b.top);
}

const distanceOf = (a: Line, b: Line): number => {
	const across = Math.min(a.right, b.right) - Math.max(a.left, b.left) - BESIDE;
	const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
	return Math.min(across, down - SHARED * Math.min(a.bottom - a.top, b.bottom - b.top));
};

/** Lines of two elements, neither in the other, lie over one another. What is fixed lies over all else by design. */
export const overlap: Kind = {
	name: 'overlap',
	unit: 'px',
	sentence: ([name, other], by) => `${name} and ${other} lie over one another, by ${figure(by)} px.`,
	read: (snapshot) => {
		const lines = seenLines(snapshot);
		const found = new Map<string, Reading>();
		lines.forEach((a, i) => {
			for (let n = i + 1; n < lines.length; n++) {
				const b = lines[n] as Line;
				if (b.top > a.bottom + APART) break;
				if (a.of === b.of || a.left > b.right + APART || b.left > a.right + APART) continue;
				const [element, other] = a.of < b.of ? [a.of, b.of] : [b.of, a.of];
				if (isAround(snapshot, element, other)) continue;
				const distance = distanceOf(a, b);
				const key = `${element} ${other}`;
				if (distance > -APART && distance > (found.get(key)?.distance ?? -Infinity))
					found.set(key, { element, other, distance });
			}
		});
		return [...found.values()];
	}
};
