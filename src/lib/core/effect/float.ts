import { isItem, type Kind } from './kind.ts';

/** Floating in a container that lays out its items itself. */
export const float: Kind = {
	name: 'float and clear on a flex or grid item',
	properties: ['float', 'clear'],
	of(longhand, facts) {
		if (!isItem(facts)) return undefined;
		return {
			reason: `${longhand} does nothing on an item of a flex or grid container.`,
			instead: 'margin-inline-start: auto moves it to the end; order changes its place.',
			standard: 'CSS Flexible Box Layout 1 §3, CSS Grid Layout 2 §6'
		};
	}
};
