/**
 * One page at one viewport, as columns with an entry per element in document order. Lengths are CSS px of the page;
 * boxes are border boxes relative to the page's top left corner, whatever the scroll position.
 */
export interface Snapshot {
	readonly width: number;
	readonly height: number;
	/** Scroll size of the root. */
	readonly pageWidth: number;
	readonly pageHeight: number;
	/** Whether the page runs from right to left, so that it scrolls to the left. */
	readonly rightToLeft: boolean;
	readonly count: number;
	readonly tags: readonly string[];
	/** Index of the parent; -1 for the root. */
	readonly parent: Int32Array;
	/** Left, top, width, height. */
	readonly boxes: Float64Array;
	/** Scroll width and height, client width and height. */
	readonly insides: Float32Array;
	readonly flags: Uint32Array;
	/** Index of the nearest ancestor that clips; -1 for none. */
	readonly clip: Int32Array;
	readonly fontSize: Float32Array;
	/** NaN for `normal`. */
	readonly lineHeight: Float32Array;
	readonly order: Int32Array;
	/** `z-index`; 0 for `auto`. */
	readonly z: Int32Array;
	/** Natural width and height of pictures; 0 for other elements and for pictures that have not loaded. */
	readonly natural: Float32Array;
	/** Border plus padding at the top, right, bottom and left, by which the content box is smaller. */
	readonly edges: Float32Array;
	/** Lines of text, an entry per line in document order: the element that contains the text. */
	readonly lineOf: Int32Array;
	/** Left, top, width, height of each line. */
	readonly lines: Float64Array;
	/** How many words each line has: those of its text, divided evenly among its lines. */
	readonly lineWords: Float32Array;
}

/** Bits of `Snapshot.flags`. */
export const FLAG = {
	shown: 1 << 0,
	fixed: 1 << 1,
	sticky: 1 << 2,
	positioned: 1 << 3,
	clips: 1 << 4,
	flexContainer: 1 << 5,
	gridContainer: 1 << 6,
	item: 1 << 7,
	focusable: 1 << 8,
	replaced: 1 << 9,
	before: 1 << 10,
	after: 1 << 11,
	/** Overflowing content can be scrolled to, sideways and down. */
	scrollsX: 1 << 12,
	scrollsY: 1 << 13,
	/** Taken out of the flow (`position: absolute`). */
	absolute: 1 << 14,
	inline: 1 << 15,
	/** A picture stretched to fill its box, whatever its ratio (`object-fit: fill`). */
	filled: 1 << 16,
	/** Opaque: it has a background or a picture of its own, without transparency. */
	opaque: 1 << 17,
	/** Invisible, although it takes up space (`opacity: 0`). */
	clear: 1 << 18,
	/** Its lines run vertically. */
	vertical: 1 << 19,
	/** It is a stacking context, whose content is painted as a unit. */
	stacks: 1 << 20
} as const;
