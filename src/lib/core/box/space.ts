import type { Side } from './box.ts';

/** What is known of the space at one side of a box, CSS px. */
export interface SpaceFacts {
	readonly side: Side;
	/** From the box's border edge to the neighbour's, or to the padding edge of what is around. */
	readonly length: number;
	/** Its own margin at that side as used, and whether that is `auto`. */
	readonly margin: number;
	readonly auto: boolean;
	/** The neighbour's margin that faces it; null where it ends at what is around. */
	readonly neighbour: number | null;
	/** Whether margins meet there as those of blocks do, so that they collapse (CSS 2.2 §8.3.1). */
	readonly collapses: boolean;
	/** The gap of the flex or grid container in that direction; 0 for none. */
	readonly gap: number;
	/** The padding of what is around at that side. */
	readonly padding: number;
}

/** A part of a space. */
export interface SpacePart {
	readonly of: 'margin' | 'auto-margin' | 'neighbour' | 'collapsed' | 'gap' | 'padding' | 'rest';
	/** CSS px; negative where it pulls both together. */
	readonly length: number;
}

/** What rounding of layout leaves, px. */
const LEAST = 1 / 32;

/** Two margins as one (CSS 2.2 §8.3.1): the greatest of the positive ones, with the least of the negative ones. */
const collapsed = (a: number, b: number): number => Math.max(a, b, 0) + Math.min(a, b, 0);

/**
 * Of what a space is made up: own margin, neighbour's margin, both collapsed, gap, padding of what is around; and
 * the rest, which comes from line height, alignment, or free room. Parts of no length are left out.
 */
export function partsOfSpace(facts: SpaceFacts): SpacePart[] {
	const { length, margin, auto, neighbour, collapses, gap, padding } = facts;
	const own: SpacePart = { of: auto ? 'auto-margin' : 'margin', length: margin };
	const parts: SpacePart[] =
		neighbour === null
			? [{ of: 'padding', length: padding }, own]
			: collapses
				? margin !== 0 && neighbour !== 0
					? [{ of: 'collapsed', length: collapsed(margin, neighbour) }]
					: [own, { of: 'neighbour', length: neighbour }]
				: [own, { of: 'gap', length: gap }, { of: 'neighbour', length: neighbour }];
	const rest = length - parts.reduce((sum, part) => sum + part.length, 0);
	return [...parts, { of: 'rest' as const, length: rest }].filter((part) => Math.abs(part.length) > LEAST);
}
