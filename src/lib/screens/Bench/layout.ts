import type { Placement, Viewport } from '$lib/stage/protocol.ts';

export interface Room {
	readonly width: number;
	readonly height: number;
}

export interface Small {
	readonly name: string;
	readonly viewport: Viewport;
}

export interface Laid extends Placement {
	/** Size as drawn, px of the screen. */
	readonly drawnWidth: number;
	readonly drawnHeight: number;
}

/** Room around frames: for the ladder at the left, crop marks, and a line of words under each. */
const LEFT = 40;
const SIDE = 28;
const TOP = 20;
const LABEL = 34;
const GAP = 30;
/** The least room for a chorus frame and its words, and the least height it is drawn at. */
const SLOT = 122;
const LEAST = 72;

const laid = (frame: string, left: number, top: number, scale: number, viewport: Viewport): Laid => ({
	frame,
	left: Math.round(left),
	top: Math.round(top),
	scale,
	viewport,
	drawnWidth: viewport.width * scale,
	drawnHeight: viewport.height * scale
});

const wide = (room: Room): number => Math.max(100, room.width - LEFT - SIDE);

const slot = (row: number, { viewport }: Small): number =>
	Math.max(SLOT, (row / viewport.height) * viewport.width);

/** The height at which the chorus is drawn: a quarter of the room or so, less where it would not fit in a row. */
function rowHeight(room: Room, chorus: readonly Small[]): number {
	const gaps = GAP * Math.max(0, chorus.length - 1);
	for (let row = Math.max(LEAST, Math.min(240, room.height * 0.27)); row > LEAST; row -= 2) {
		if (chorus.reduce((sum, one) => sum + slot(row, one), gaps) <= wide(room)) return row;
	}
	return LEAST;
}

/** The viewport of the lead: the carriage's width, and as high as its place allows at the scale of its width. */
export function leadViewport(room: Room, width: number, chorus: readonly Small[]): Viewport {
	const high = Math.max(120, room.height - TOP - LABEL - rowHeight(room, chorus) - LABEL);
	return { width, height: Math.round(high / Math.min(1, wide(room) / width)), density: 1 };
}

/** Lead above, chorus below, each at the true size of its viewport, drawn smaller where it must be. */
export function layFrames(room: Room, lead: Viewport, chorus: readonly Small[]): Laid[] {
	const row = rowHeight(room, chorus);
	const frames = [laid('lead', LEFT, TOP, Math.min(1, wide(room) / lead.width), lead)];
	let left = LEFT;
	for (const one of chorus) {
		frames.push(laid(one.name, left, room.height - LABEL - row, row / one.viewport.height, one.viewport));
		left += slot(row, one) + GAP;
	}
	return frames;
}
