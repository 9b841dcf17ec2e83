import { figure } from '../box/index.ts';
import { FLAG } from '../snapshot/index.ts';
import { boxEdges, has, isPage } from './geometry.ts';
import { NEAR, type Kind } from './kind.ts';

/** Less is an overhang that nobody notices, px. */
const OVERHANG = 1;

/**
 * An element in the flow passes the left or right edge of its container, which neither scrolls nor clips it there.
 * Elements out of the flow, and inline ones, are assumed to be where they are meant to be.
 */
export const edge: Kind = {
	name: 'edge',
	title: 'sticks out of its container',
	severity: 'plain',
	limit: { value: OVERHANG, unit: 'px' },
	sentence: ({ name, other, by }) => `${name} sticks out of ${other} by ${figure(by)} px.`,
	overflows: true,
	remedies: [
		{ property: 'box-sizing', value: 'border-box' },
		{ property: 'max-width', value: '100%' }
	],
	read: (snapshot) => {
		const { count, parent } = snapshot;
		return Array.from({ length: count }, (_, element) => element).flatMap((element) => {
			const other = parent[element] ?? -1;
			if (other < 0 || isPage(snapshot, other) || !has(snapshot, element, FLAG.shown)) return [];
			if (has(snapshot, element, FLAG.absolute | FLAG.fixed)) return [];
			if (has(snapshot, element, FLAG.inline) && !has(snapshot, element, FLAG.replaced)) return [];
			if (has(snapshot, other, FLAG.clips | FLAG.inline)) return [];
			const [own, around] = [boxEdges(snapshot, element), boxEdges(snapshot, other)];
			const distance = Math.max(own.right - around.right, around.left - own.left) - OVERHANG;
			return distance > -NEAR && distance !== -OVERHANG ? [{ element, other, value: distance }] : [];
		});
	}
};
