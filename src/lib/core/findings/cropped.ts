import { figure } from '../box/index.ts';
import { FLAG } from '../snapshot/index.ts';
import { boxEdges, has, windowWidth } from './geometry.ts';
import type { Kind } from './kind.ts';
import { hidesBeyond, reaching } from './reach.ts';

/** Less is an overhang that nobody notices, px. */
const OVERHANG = 1;

/**
 * On a page that hides what is beyond its edge, text or a picture is cut off there. What lies entirely beyond the
 * edge is there on purpose.
 */
export const cropped: Kind = {
	name: 'cropped',
	title: 'is cut at the window’s edge',
	severity: 'slight',
	limit: { value: OVERHANG, unit: 'px' },
	sentence: ({ name, by }) =>
		`${name} is cut at the window’s edge: ${figure(by)} px of it. The page hides what is beyond its edge.`,
	read: (snapshot) => {
		if (!hidesBeyond(snapshot)) return [];
		const withText = new Set(snapshot.lineOf);
		const edge = windowWidth(snapshot);
		return reaching(snapshot).flatMap(({ element, by }) => {
			const { left, right } = boxEdges(snapshot, element);
			const isSeen = has(snapshot, element, FLAG.shown) && left < edge && right > 0;
			const isContent = withText.has(element) || has(snapshot, element, FLAG.replaced);
			return isSeen && isContent ? [{ element, value: by - OVERHANG }] : [];
		});
	}
};
