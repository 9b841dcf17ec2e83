/** A length on each side of a box, CSS px. */
export interface Sides {
	readonly top: number;
	readonly right: number;
	readonly bottom: number;
	readonly left: number;
}

/** A rectangle, CSS px of the page. */
export interface Rect {
	readonly left: number;
	readonly top: number;
	readonly width: number;
	readonly height: number;
}

/** An element's box: its border box with what lies around and within its edge (CSS Box Model 4 §2). */
export interface ElementBox extends Rect {
	readonly margin: Sides;
	readonly border: Sides;
	readonly padding: Sides;
	/** The width of the content box of the element's container; null where that is not a box. */
	readonly room: number | null;
}

/** A length as it is shown: px, to two decimals. */
export const figure = (length: number): string => String(Math.round(length * 100) / 100);

export type Side = keyof Sides;

export const right = ({ left, width }: Rect): number => left + width;
export const bottom = ({ top, height }: Rect): number => top + height;

/** A rectangle reduced by so much at each side; sides may be negative, sizes never become negative. */
export const inset = (rect: Rect, by: Sides): Rect => ({
	left: rect.left + by.left,
	top: rect.top + by.top,
	width: Math.max(0, rect.width - by.left - by.right),
	height: Math.max(0, rect.height - by.top - by.bottom)
});

export const paddingBox = (box: ElementBox): Rect => inset(box, box.border);
export const contentBox = (box: ElementBox): Rect => inset(paddingBox(box), box.padding);

/** Which of a box's sizes is meant. */
export type Axis = 'width' | 'height';

/**
 * A part of a box's width or height, from left to right or top to bottom: what it is, and its length, CSS px
 * (negative for negative margins).
 */
export interface Part {
	readonly of: 'margin' | 'border' | 'padding' | 'content';
	/** The property that makes it this long. */
	readonly property: string;
	readonly length: number;
}

const SIDES = { width: ['left', 'right'], height: ['top', 'bottom'] } as const;

/** The width or height that a box takes up, part by part, and the sum, which is compared with the room available. */
export function boxParts(box: ElementBox, axis: Axis): { parts: Part[]; sum: number } {
	const { margin, border, padding } = box;
	const [start, end] = SIDES[axis];
	const outside = (side: Side): Part[] => [
		{ of: 'margin', property: `margin-${side}`, length: margin[side] },
		{ of: 'border', property: `border-${side}-width`, length: border[side] },
		{ of: 'padding', property: `padding-${side}`, length: padding[side] }
	];
	const content: Part = { of: 'content', property: axis, length: contentBox(box)[axis] };
	const parts = [...outside(start), content, ...outside(end).toReversed()];
	return {
		parts: parts.filter(({ length }) => length !== 0),
		sum: parts.reduce((sum, { length }) => sum + length, 0)
	};
}
