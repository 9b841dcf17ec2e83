import type { Facts, Kind } from './kind.ts';

const SIDES = ['top', 'right', 'bottom', 'left'];

/** Whether an element is a scroll container for its content, even if it shows no scrollbar. */
const scrolls = (facts: Facts): boolean =>
	['overflow-x', 'overflow-y'].some((longhand) => /^(hidden|auto|scroll)$/.test(facts.computed(longhand)));

/** Sticky positioning without an inset, or in the wrong scroll container. */
export const sticky: Kind = {
	name: 'sticky without an inset',
	properties: ['position'],
	of(_, facts) {
		if (facts.computed('position') !== 'sticky') return undefined;
		if (SIDES.some((side) => facts.computed(side) !== 'auto')) return undefined;
		return {
			reason: 'position: sticky with all of top, right, bottom and left auto sticks to nothing.',
			instead: 'top: 0 holds it at the top edge.',
			standard: 'CSS Positioned Layout 3 §3.4'
		};
	}
};

/** Sticky elements stick to the nearest scroll container; where that never scrolls, they never stick. */
export const stickyInside: Kind = {
	name: 'sticky inside what clips',
	properties: ['position'],
	of(_, facts) {
		if (facts.computed('position') !== 'sticky') return undefined;
		for (let at = facts.parent; at?.parent?.parent; at = at.parent) {
			if (!scrolls(at)) continue;
			const hidden = ['overflow-x', 'overflow-y'].every((longhand) => at?.computed(longhand) === 'hidden');
			if (!hidden) return undefined;
			return {
				reason: `It sticks to the nearest box that scrolls: the ${at.tag} around it with overflow: hidden, which never scrolls.`,
				instead: 'overflow: clip there cuts the same and is no box that scrolls.',
				standard: 'CSS Positioned Layout 3 §3.4, CSS Overflow 3 §3.1'
			};
		}
		return undefined;
	}
};
