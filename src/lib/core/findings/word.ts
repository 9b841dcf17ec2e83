import { figure } from '../box/index.ts';
import { blockOf, FLAG } from '../snapshot/index.ts';
import { boxEdges, has } from './geometry.ts';
import { LEAST, NEAR, type Kind, type Reading } from './kind.ts';
import { byKey, linesOf } from './line.ts';

/**
 * A line of text is longer than its box, which neither clips nor scrolls it: a word in it cannot be broken, or must
 * not be. Lines are assumed to run in the page's direction.
 */
export const word: Kind = {
	name: 'word',
	title: 'a word does not fit its box',
	severity: 'plain',
	limit: { value: 0, unit: 'px' },
	sentence: ({ name, by }) => `A line of ${name} is ${figure(by)} px longer than its box.`,
	overflows: true,
	remedies: [{ property: 'overflow-wrap', value: 'anywhere' }],
	read: (snapshot) =>
		[...byKey(linesOf(snapshot), ({ of }) => blockOf(snapshot, of))].flatMap(
			([element, lines]): Reading[] => {
				if (has(snapshot, element, FLAG.clips | FLAG.vertical)) return [];
				const box = boxEdges(snapshot, element);
				const [, right = 0, , left = 0] = snapshot.edges.subarray(4 * element);
				const beyond = snapshot.rightToLeft
					? box.left + left - Math.min(...lines.map((line) => line.left))
					: Math.max(...lines.map((line) => line.right)) - (box.right - right);
				const value = beyond - LEAST;
				return value > -NEAR ? [{ element, value }] : [];
			}
		)
};
