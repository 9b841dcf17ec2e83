import { isInlineText, isItem, isOut, type Kind } from './kind.ts';

/** `vertical-align` on what is not in a line. */
export const verticalAlign: Kind = {
	name: 'vertical-align on a block',
	properties: ['vertical-align'],
	of(_, facts) {
		const display = facts.computed('display');
		if (isInlineText(facts) || /^(inline|table-cell)/.test(display)) return undefined;
		if (!isItem(facts) && !isOut(facts) && !/^(block|flow-root|flex|grid|list-item)$/.test(display))
			return undefined;
		return {
			reason: `vertical-align sets what is in a line of text, or a cell of a table; this is display: ${display}.`,
			instead: 'align-items: center on a flex or grid container sets what is in it up and down.',
			standard: 'CSS 2.2 §10.8.1'
		};
	}
};
