import { isInlineText, isItem, isOut, isVertical, type Kind } from './kind.ts';

/** Automatic vertical margins in flow, which compute to 0. */
export const autoMargin: Kind = {
	name: 'automatic vertical margins in flow',
	properties: ['margin-top', 'margin-bottom'],
	of(longhand, facts) {
		if (facts.specified(longhand)?.trim().toLowerCase() !== 'auto') return undefined;
		if (isItem(facts) || isOut(facts) || isInlineText(facts) || isVertical(facts.parent)) return undefined;
		return {
			reason: `${longhand}: auto in flow is 0: only a flex or grid container distributes vertical space.`,
			instead: 'display: flex (or grid) on its parent lets the auto margin take the free space.',
			standard: 'CSS 2.2 §10.6.3'
		};
	}
};
