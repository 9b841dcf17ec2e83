import { figure } from '../box/index.ts';
import { FLAG, type Snapshot } from '../snapshot/index.ts';
import { boxEdges, clipOf, has, isIn, isPage, lineEdges, windowWidth, type Edges } from './geometry.ts';
import { LEAST, NEAR, type Kind, type Reading } from './kind.ts';

/**
 * How far each element, or a line of text straight in it, reaches beyond the edge to which the page scrolls, and whether
 * it is the text.
 */
function reachOf(snapshot: Snapshot, edge: number): { readonly by: number; readonly text: boolean }[] {
	const beyond = ({ left, right }: Edges): number => (snapshot.rightToLeft ? -left : right - edge);
	const all = Array.from({ length: snapshot.count }, (_, i) => ({
		by: beyond(boxEdges(snapshot, i)),
		text: false
	}));
	snapshot.lineOf.forEach((of, line) => {
		const by = beyond(lineEdges(snapshot, line));
		if (by > (all[of]?.by ?? 0)) all[of] = { by, text: true };
	});
	return all;
}

/**
 * The page scrolls sideways: what reaches beyond the edge at which its lines end, the outermost of each; its own text too.
 * What is clipped or fixed does not make it scroll, nor does anything in a page that hides what is beyond its edge; where
 * it scrolls and none of these does it, the body is named.
 */
export const sideways: Kind = {
	name: 'sideways',
	title: 'the page scrolls sideways',
	severity: 'grave',
	limit: { value: 0, unit: 'px' },
	sentence: ({ name, by }) => `The page scrolls sideways: ${name} reaches ${figure(by)} px beyond its edge.`,
	standard: 'WCAG 2.2 §1.4.10',
	remedies: [
		{ property: 'box-sizing', value: 'border-box' },
		{ property: 'max-width', value: '100%' },
		{ property: 'overflow-wrap', value: 'anywhere' }
	],
	read: (snapshot) => {
		const { parent, pageWidth } = snapshot;
		const edge = windowWidth(snapshot);
		const pages = [0, 1].filter((i) => isPage(snapshot, i));
		if (pages.some((i) => has(snapshot, i, FLAG.clips) && !has(snapshot, i, FLAG.scrollsX))) return [];
		const reach = reachOf(snapshot, edge);
		const found = reach.flatMap(({ by, text }, element): Reading[] => {
			if (by <= -NEAR || (by <= LEAST && by > -LEAST)) return [];
			if (isPage(snapshot, element) || isIn(snapshot, element, FLAG.fixed)) return [];
			if ((text && has(snapshot, element, FLAG.clips)) || clipOf(snapshot, element) >= 0) return [];
			const around = parent[element] ?? -1;
			const isInner = around >= 0 && !isPage(snapshot, around) && (reach[around]?.by ?? 0) > LEAST;
			return isInner ? [] : [{ element, value: by }];
		});
		const scrolls = pageWidth - edge;
		return scrolls >= 1 && !found.some(({ value }) => Number(value) > 0)
			? [...found, { element: pages.at(-1) ?? 0, value: scrolls }]
			: found;
	}
};
