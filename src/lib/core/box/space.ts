import type { Side } from './box.ts';

/** What is known of the space at one side of a box, CSS px. */
export interface SpaceFacts {
	readonly side: Side;
	/** From the box's border edge to the neighbour's, or to the padding edge of the container. */
	readonly length: number;
	/** Its own margin at that side as used, and whether that is `auto`. */
	readonly margin: number;
	readonly auto: boolean;
	/** The neighbour's margin that faces it; null where the space ends at the container. */
	readonly neighbour: number | null;
	/** Whether margins meet there like those of blocks, so that they collapse (CSS 2.2 §8.3.1). */
	readonly collapses: boolean;
	/** The gap of the flex or grid container in that direction; 0 for none. */
	readonly gap: number;
	/** The container's padding at that side. */
	readonly padding: number;
}

/** A part of a space. */
export interface SpacePart {
	readonly of: 'margin' | 'auto-margin' | 'neighbour' | 'collapsed' | 'gap' | 'padding' | 'rest';
	/** CSS px; negative where it reduces the space. */
	readonly length: number;
}

/** What rounding in layout may leave over, px. */
const LEAST = 1 / 32;

/** Two margins collapsed into one (CSS 2.2 §8.3.1): the greatest positive one plus the smallest negative one. */
const collapsed = (a: number, b: number): number => Math.max(a, b, 0) + Math.min(a, b, 0);

/**
 * The parts that make up a space: own margin, neighbour's margin, both collapsed, gap, the container's padding; and
 * the rest, which comes from line height, alignment, or free space. Parts of length 0 are left out.
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
