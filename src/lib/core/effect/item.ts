import { isFlex, isGrid, isOut, type Kind } from './kind.ts';

const FLEX = ['flex-grow', 'flex-shrink', 'flex-basis'];
const GRID = ['grid-row-start', 'grid-row-end', 'grid-column-start', 'grid-column-end'];

/** Properties of children that only a flex or grid container reads. */
export const item: Kind = {
	name: 'order, flex or grid placement on a child of no such container',
	properties: ['order', ...FLEX, ...GRID],
	of(longhand, facts) {
		const [flex, grid] = [isFlex(facts.parent), isGrid(facts.parent)];
		if (isOut(facts) && grid && GRID.includes(longhand)) return undefined;
		const wants = FLEX.includes(longhand) ? 'a flex' : GRID.includes(longhand) ? 'a grid' : 'a flex or grid';
		if (!isOut(facts) && ((flex && wants !== 'a grid') || (grid && wants !== 'a flex'))) return undefined;
		return {
			reason: isOut(facts)
				? `${longhand} acts on the items of ${wants} container; position takes this out of it.`
				: `${longhand} acts on the items of ${wants} container; its parent is display: ${facts.parent?.computed('display') ?? 'none'}.`,
			instead: `display: ${wants === 'a grid' ? 'grid' : 'flex'} on its parent.`,
			standard: GRID.includes(longhand) ? 'CSS Grid Layout 2 §8.3' : 'CSS Flexible Box Layout 1 §5.4, §7'
		};
	}
};
