import type { Snapshot } from '../snapshot/index.ts';

/** What one kind reads of one element, or of two, in a snapshot. */
export interface Reading {
	readonly element: number;
	/** The other of two. */
	readonly other?: number;
	/** How far it is beyond the limit, in the kind's unit: over 0 it is there, up to 0 it is not. */
	readonly distance: number;
}

/** A kind of finding. */
export interface Kind {
	readonly name: string;
	readonly unit: 'px' | '%';
	/** What it is, of something (and another) that is named, by so much at the worst width. */
	readonly sentence: (names: readonly string[], by: number) => string;
	/** The standard that asks for it, with its section, where one does. */
	readonly standard?: string;
	/** Where it is there or near, CSS px and indexes of the snapshot. What is far from its limit is left out. */
	readonly read: (snapshot: Snapshot) => Reading[];
}

/** What is so far from its limit is left out, px. */
export const NEAR = 96;
/** What rounding of layout leaves, px. */
export const LEAST = 1 / 32;
