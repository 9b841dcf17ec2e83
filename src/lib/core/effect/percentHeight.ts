import { isInlineText, isItem, isOut, isVertical, type Kind } from './kind.ts';

/** A percentage of a height that the content determines. */
export const percentHeight: Kind = {
	name: 'percentage height of an auto parent',
	properties: ['height', 'min-height', 'max-height'],
	of(longhand, facts) {
		const { parent } = facts;
		if (!parent || isOut(facts) || isItem(facts) || isInlineText(facts) || isVertical(facts))
			return undefined;
		if (!/^\s*[\d.]+%\s*$/.test(facts.specified(longhand) ?? '')) return undefined;
		// Other containers may give a child a height that is not written anywhere.
		if (!/^(block|flow-root|inline-block|list-item)$/.test(parent.computed('display'))) return undefined;
		if (isItem(parent) || isOut(parent) || parent.parent === null) return undefined;
		if (
			!/^(auto)?$/.test(parent.specified('height')?.trim() ?? '') ||
			parent.computed('aspect-ratio') !== 'auto'
		)
			return undefined;
		return {
			reason: `A percentage of its parent’s height, which is auto: ${longhand} counts as ${longhand === 'max-height' ? 'none' : longhand === 'height' ? 'auto' : '0'}.`,
			instead:
				'give the parent a height, or use a unit of the viewport; in a flex container items can stretch.',
			standard: 'CSS 2.2 §10.5, §10.7'
		};
	}
};
