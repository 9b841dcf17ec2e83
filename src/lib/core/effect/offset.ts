import { isItem, type Kind } from './kind.ts';

/** Offsets on what is not positioned, and `z-index` where there is no stacking order. */
export const offset: Kind = {
	name: 'offsets and z-index on what is not positioned',
	properties: ['top', 'right', 'bottom', 'left', 'z-index'],
	of(longhand, facts) {
		if (facts.computed('position') !== 'static') return undefined;
		if (longhand === 'z-index' && isItem(facts)) return undefined;
		return {
			reason: `${longhand} acts on positioned elements; this one is position: static.`,
			instead: 'position: relative lets it act and moves nothing by itself.',
			standard: longhand === 'z-index' ? 'CSS 2.2 §9.9.1' : 'CSS Positioned Layout 3 §3.1'
		};
	}
};
