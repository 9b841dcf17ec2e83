/** What is known of an element from layout, at the width and in the state that are asked about. */
export interface Facts {
	/** Lower case. */
	readonly tag: string;
	/** A computed longhand; '' where it is not known. */
	computed(longhand: string): string;
	/**
	 * What the cascade gives a longhand, as written; undefined where nothing of the page’s own does. Told of the element,
	 * its parent and what is straight in it.
	 */
	specified(longhand: string): string | undefined;
	readonly parent: Facts | null;
	/** Whether words stand straight in it. */
	readonly words: boolean;
	/** What is straight in it; null where that is not known. */
	children(): readonly Facts[] | null;
}

/** A declaration does nothing where it stands. */
export interface NoEffect {
	/** Why, as a sentence. */
	readonly reason: string;
	/** The nearest thing that would have the effect, as a sentence. */
	readonly instead: string;
	/** The section of the standard that says so. */
	readonly standard: string;
}

/** One kind of declaration that does nothing. */
export interface Kind {
	readonly name: string;
	/** The longhands that it may be said of. */
	readonly properties: readonly string[];
	/** Whether it does nothing on this element; undefined where it may do something. */
	of(longhand: string, facts: Facts): NoEffect | undefined;
}

export const isFlex = (facts: Facts | null): boolean => /\bflex$/.test(facts?.computed('display') ?? '');
export const isGrid = (facts: Facts | null): boolean => /\bgrid$/.test(facts?.computed('display') ?? '');

/** Taken out of flow by `position`. */
export const isOut = (facts: Facts): boolean => /^(absolute|fixed)$/.test(facts.computed('position'));

/** A child of a flex or grid container that takes part in its layout. */
export const isItem = (facts: Facts): boolean =>
	(isFlex(facts.parent) || isGrid(facts.parent)) && !isOut(facts);

const REPLACED = new Set(
	'img video canvas iframe embed object input textarea select button svg audio meter progress'.split(' ')
);

/** Sized like a picture rather than by lines of text; form controls too. */
export const isReplaced = ({ tag }: Facts): boolean => REPLACED.has(tag);

/** A box that is part of a line of text, without sizes of its own. */
export const isInlineText = (facts: Facts): boolean =>
	facts.computed('display') === 'inline' &&
	!isReplaced(facts) &&
	!isOut(facts) &&
	facts.computed('float') === 'none';

/** Not shown at all: nothing can be told of what would have an effect. */
export const isGone = (facts: Facts): boolean => facts.computed('display') === 'none';

export const isVertical = (facts: Facts | null): boolean =>
	!/^(horizontal-tb)?$/.test(facts?.computed('writing-mode') ?? '');
