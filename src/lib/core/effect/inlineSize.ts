import { isInlineText, isVertical, type Kind } from './kind.ts';

const SIZES = ['width', 'height', 'min-width', 'max-width', 'min-height', 'max-height'];

/** Sizes and vertical margins on inline boxes. */
export const inlineSize: Kind = {
	name: 'sizes and vertical margins on inline',
	properties: [...SIZES, 'margin-top', 'margin-bottom'],
	of(longhand, facts) {
		if (!isInlineText(facts) || (longhand.startsWith('margin') && isVertical(facts))) return undefined;
		return {
			reason: `It is display: inline, so ${longhand} does not apply to it.`,
			instead: 'display: inline-block keeps it in the line and gives it a box of its own.',
			standard: 'CSS 2.2 §10.2, §10.5, §8.3'
		};
	}
};
