/** What layout says about an element, at the width and in the state in question. */
export interface Facts {
	/** Lower case. */
	readonly tag: string;
	/** A computed longhand; '' where it is unknown. */
	computed(longhand: string): string;
	/**
	 * The value that the cascade gives a longhand, as written; undefined where the page does not set it. Available for
	 * the element, its parent and its children.
	 */
	specified(longhand: string): string | undefined;
	readonly parent: Facts | null;
	/** Whether it directly contains text. */
	readonly words: boolean;
	/** Its children; null where they are not known. */
	children(): readonly Facts[] | null;
}

/** A declaration that has no effect. */
export interface NoEffect {
	/** Why, as a sentence. */
	readonly reason: string;
	/** The nearest thing that would have the effect, as a sentence. */
	readonly instead: string;
	/** The section of the standard. */
	readonly standard: string;
}

/** One kind of declaration without effect. */
export interface Kind {
	readonly name: string;
	/** The longhands that it applies to. */
	readonly properties: readonly string[];
	/** Why the declaration has no effect on this element; undefined where it may have one. */
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

/** Sized like a picture rather than by lines of text; includes form controls. */
export const isReplaced = ({ tag }: Facts): boolean => REPLACED.has(tag);

/** An inline box, which has no sizes of its own. */
export const isInlineText = (facts: Facts): boolean =>
	facts.computed('display') === 'inline' &&
	!isReplaced(facts) &&
	!isOut(facts) &&
	facts.computed('float') === 'none';

/** Not shown at all: nothing can be said about effects. */
export const isGone = (facts: Facts): boolean => facts.computed('display') === 'none';

export const isVertical = (facts: Facts | null): boolean =>
	!/^(horizontal-tb)?$/.test(facts?.computed('writing-mode') ?? '');
