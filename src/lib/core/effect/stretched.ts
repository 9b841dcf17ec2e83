import { isFlex, isGrid, isItem, type Kind } from './kind.ts';

/** Columns stretched to equal height although their content was to be centred. */
export const stretched: Kind = {
	name: 'centring of the content of a stretched item',
	properties: ['align-items', 'justify-content', 'vertical-align'],
	of(longhand, facts) {
		if (!isItem(facts) || isFlex(facts) || isGrid(facts)) return undefined;
		const { parent } = facts;
		const column = isFlex(parent) && parent?.computed('flex-direction').startsWith('column');
		const own = facts.computed('align-self');
		const given = own === 'auto' ? parent?.computed('align-items') : own;
		if (column || !/^(normal|stretch)$/.test(given ?? '') || facts.computed('height') === '')
			return undefined;
		return {
			reason: `Its box is stretched to the height of its row, and its content sits at the top; ${longhand} does not change that: this is display: ${facts.computed('display')}.`,
			instead:
				'align-self: center on it (or align-items: center around it) sets the whole box; display: flex, flex-direction: column and justify-content: center in it set its content.',
			standard: 'CSS Flexible Box Layout 1 §8.3, CSS Box Alignment 3 §6'
		};
	}
};
