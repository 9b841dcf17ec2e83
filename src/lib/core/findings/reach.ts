import { FLAG, type Snapshot } from '../snapshot/index.ts';
import { boxEdges, clipOf, has, isIn, isPage, lineEdges, windowWidth, type Edges } from './geometry.ts';
import { LEAST, NEAR } from './kind.ts';

/** An element that reaches beyond the window's edge, or nearly, CSS px. */
export interface Reaching {
	readonly element: number;
	readonly by: number;
}

/** The root, and the body in it. */
export const pagesOf = (snapshot: Snapshot): number[] =>
	Array.from({ length: snapshot.count }, (_, i) => i).filter((i) => isPage(snapshot, i));

/** Whether a page hides what is beyond its edge, so that nobody can scroll to it (CSS Overflow 3 §3.3). */
export const hidesBeyond = (snapshot: Snapshot): boolean =>
	pagesOf(snapshot).some((i) => has(snapshot, i, FLAG.clips) && !has(snapshot, i, FLAG.scrollsX));

/**
 * What reaches, or nearly reaches, beyond the edge at which the page's lines end: the outermost element of each, and
 * those whose own text does. Elements that are fixed, or clipped by a container, are not included.
 */
export function reaching(snapshot: Snapshot): Reaching[] {
	const { count, parent, rightToLeft, lineOf } = snapshot;
	const edge = windowWidth(snapshot);
	const beyond = ({ left, right }: Edges): number => (rightToLeft ? -left : right - edge);
	const reach = Array.from({ length: count }, (_, i) => ({ by: beyond(boxEdges(snapshot, i)), text: false }));
	lineOf.forEach((of, line) => {
		const by = beyond(lineEdges(snapshot, line));
		if (by > (reach[of]?.by ?? 0)) reach[of] = { by, text: true };
	});
	return reach.flatMap(({ by, text }, element): Reaching[] => {
		if (by <= -NEAR || (by <= LEAST && by > -LEAST)) return [];
		if (isPage(snapshot, element) || isIn(snapshot, element, FLAG.fixed)) return [];
		if ((text && has(snapshot, element, FLAG.clips)) || clipOf(snapshot, element) >= 0) return [];
		const around = parent[element] ?? -1;
		const isInner = around >= 0 && !isPage(snapshot, around) && (reach[around]?.by ?? 0) > LEAST;
		return isInner ? [] : [{ element, by }];
	});
}
