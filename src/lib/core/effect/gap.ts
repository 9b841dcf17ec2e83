import { isFlex, isGrid, type Kind } from './kind.ts';

/** Gaps where there is nothing to separate. */
export const gap: Kind = {
	name: 'gap in flow',
	properties: ['row-gap', 'column-gap'],
	of(longhand, facts) {
		if (isFlex(facts) || isGrid(facts)) return undefined;
		const columns = facts.computed('column-count') !== 'auto' || facts.computed('column-width') !== 'auto';
		if (columns) return undefined;
		return {
			reason: `${longhand} stands between the items of a flex or grid container, or between columns; this is display: ${facts.computed('display')}.`,
			instead: 'display: flex or grid on it, or margins on its children.',
			standard: 'CSS Box Alignment 3 §8'
		};
	}
};
