import { isFlex, isGrid, isOut, type Kind } from './kind.ts';

const COMMON = 'CSS Box Alignment 3 §5–6';

/** Alignment of children in what is neither a flex nor a grid container. */
export const alignment: Kind = {
	name: 'alignment on a box that is no flex or grid container',
	properties: ['align-items', 'justify-items', 'justify-content'],
	of(longhand, facts) {
		const display = facts.computed('display');
		if (isFlex(facts)) {
			if (longhand !== 'justify-items') return undefined;
			return {
				reason:
					'In a flex container justify-items does nothing: items share the main axis, and none has a place of its own there.',
				instead: 'justify-content sets them along the main axis; auto margins move one.',
				standard: 'CSS Box Alignment 3 §6.1'
			};
		}
		if (isGrid(facts)) return undefined;
		// Columns ignore justify-content as blocks do; absolutely positioned children use *-items.
		if (
			longhand !== 'justify-content' &&
			!/^(block|flow-root|inline-block|list-item|inline|table|table-cell)$/.test(display)
		)
			return undefined;
		return {
			reason: `${longhand} sets the children of a flex or grid container; this is display: ${display}.`,
			instead: 'display: flex or display: grid on it; for text in it, text-align.',
			standard: COMMON
		};
	}
};

/** Alignment of one child whose parent does not lay out its children. */
export const selfAlignment: Kind = {
	name: 'alignment of a child of no flex or grid container',
	properties: ['align-self', 'justify-self'],
	of(longhand, facts) {
		if (isOut(facts) || isGrid(facts.parent)) return undefined;
		if (isFlex(facts.parent)) {
			if (longhand === 'align-self') return undefined;
			return {
				reason: 'In a flex container justify-self does nothing: items share the main axis.',
				instead: 'an auto margin on this side moves this item alone.',
				standard: 'CSS Box Alignment 3 §6.1'
			};
		}
		if (longhand === 'justify-self') return undefined;
		return {
			reason: `align-self acts in a flex or grid container; its parent is display: ${facts.parent?.computed('display') ?? 'none'}.`,
			instead: 'display: flex on its parent.',
			standard: COMMON
		};
	}
};

/** Space between lines where there is only one line. */
export const oneLine: Kind = {
	name: 'align-content in a flex container of one line',
	properties: ['align-content'],
	of(_, facts) {
		if (!isFlex(facts) || facts.computed('flex-wrap') !== 'nowrap') return undefined;
		const column = facts.computed('flex-direction').startsWith('column');
		return {
			reason: `align-content sets the lines of a flex container; with flex-wrap: nowrap it has one, which fills it.`,
			instead: `align-items sets the items ${column ? 'across (left and right)' : 'across (up and down)'}; justify-content ${column ? 'up and down' : 'left and right'}.`,
			standard: 'CSS Flexible Box Layout 1 §8.4'
		};
	}
};
