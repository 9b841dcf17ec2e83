/**
 * One page at one viewport, as columns with an entry an element in document order. Lengths are CSS px of the
 * page; boxes are border boxes from the page's top left corner, whatever the scroll.
 */
export interface Snapshot {
	readonly width: number;
	readonly height: number;
	/** Scroll size of the root. */
	readonly pageWidth: number;
	readonly pageHeight: number;
	/** Whether the page goes from right to left: it scrolls to the left then. */
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
	/** Natural width and height of pictures; 0 for others and for what has not come. */
	readonly natural: Float32Array;
	/** Border and padding together at the top, right, bottom and left: content boxes lie within. */
	readonly edges: Float32Array;
	/** Lines of text, an entry each in document order: the element that the text stands in. */
	readonly lineOf: Int32Array;
	/** Left, top, width, height of each line. */
	readonly lines: Float64Array;
	/** How many words there are on each line: those of its text, shared evenly among the lines that it has. */
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
	/** Content beyond its box can be scrolled to, sideways and down. */
	scrollsX: 1 << 12,
	scrollsY: 1 << 13,
	/** Taken out of the flow (`position: absolute`). */
	absolute: 1 << 14,
	inline: 1 << 15,
	/** A picture that is drawn over all of its box, whatever its shape (`object-fit: fill`). */
	filled: 1 << 16,
	/** What is beneath is not seen through it: a ground or a picture of its own, nothing let through. */
	opaque: 1 << 17,
	/** Nothing of it is seen, though it takes its room (`opacity: 0`). */
	clear: 1 << 18,
	/** Its lines go up or down. */
	vertical: 1 << 19,
	/** It is a stacking context: what is in it is painted together. */
	stacks: 1 << 20
} as const;
