import { figure } from '../box/index.ts';
import { blockOf, FLAG, type Snapshot } from '../snapshot/index.ts';
import { boxEdges, clipOf, has, isPage, type Edges } from './geometry.ts';
import { LEAST, NEAR, type Kind, type Reading } from './kind.ts';
import { byKey, linesOf, type Line } from './line.ts';

/** The boxes of lines are taller than their letters, above and below: this much of their height may be cut off. */
const BEYOND = 0.2;
/**
 * Boxes this narrow or low hide their text on purpose, px; and a line of which no more is visible is not visible at
 * all.
 */
const HIDING = 2;

/** By how much a line is cut off where its clipping ancestor cannot be scrolled; rounding is not counted. */
function cutBy(snapshot: Snapshot, clip: number, box: Edges, line: Edges): number {
	const beyond = BEYOND * (line.bottom - line.top);
	const sideways = Math.max(line.right - box.right, box.left - line.left);
	return Math.max(
		has(snapshot, clip, FLAG.scrollsX) ? -Infinity : sideways - (sideways > LEAST ? 0 : LEAST),
		has(snapshot, clip, FLAG.scrollsY)
			? -Infinity
			: Math.max(line.bottom - box.bottom, box.top - line.top) - beyond
	);
}

const isInSight = (box: Edges, line: Edges): boolean =>
	Math.min(box.right, line.right) - Math.max(box.left, line.left) > HIDING &&
	Math.min(box.bottom, line.bottom) - Math.max(box.top, line.top) > HIDING;

/**
 * Text that begins in sight is cut off by its own box or a container, with or without an ellipsis. Boxes that hide
 * all of their text, or can be scrolled to it, do not count.
 */
export const cut: Kind = {
	name: 'cut',
	title: 'text is cut off',
	severity: 'grave',
	limit: { value: 0, unit: 'px' },
	sentence: ({ name, other, by }) =>
		`${name} is cut off${other === name ? '' : ` by ${other}`}: ${figure(by)} px of it.`,
	standard: 'WCAG 2.2 §1.4.10',
	overflows: true,
	remedies: [{ property: 'white-space', value: 'normal' }],
	read: (snapshot) =>
		[...byKey(linesOf(snapshot), ({ of }) => blockOf(snapshot, of))].flatMap(
			([element, lines]): Reading[] => {
				const own = has(snapshot, element, FLAG.clips) && !isPage(snapshot, element);
				const clip = own ? element : clipOf(snapshot, element);
				if (clip < 0) return [];
				const box = boxEdges(snapshot, clip);
				if (box.right - box.left <= HIDING || box.bottom - box.top <= HIDING) return [];
				if (!lines.some((line: Line) => isInSight(box, line))) return [];
				const value = Math.max(...lines.map((line) => cutBy(snapshot, clip, box, line)));
				return value > -NEAR ? [{ element, other: clip, value }] : [];
			}
		)
};
