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

/** How high the lead's page can be, px of the screen. */
const leadRoom = (room: Room, chorus: readonly Small[]): number =>
	Math.max(120, room.height - TOP - LABEL - rowHeight(room, chorus) - LABEL);

/** The height of a lead that is as high as its place: px, for a window so many px wide. */
export const leadHeight = (room: Room, width: number, chorus: readonly Small[]): number =>
	Math.round(leadRoom(room, chorus) / Math.min(1, wide(room) / width));

/** The chorus in rows of one height from a place on; undefined where it does not fit so high. */
function rowsAt(row: number, from: number, room: Room, chorus: readonly Small[]): Laid[] | undefined {
	const frames: Laid[] = [];
	let [left, top] = [from, TOP];
	for (const one of chorus) {
		const width = slot(row, one);
		if (left > from && left + width > room.width - SIDE) [left, top] = [from, top + row + LABEL + GAP / 2];
		if (left + width > room.width - SIDE || top + row + LABEL > room.height) return undefined;
		frames.push(laid(`chorus ${one.name}`, left, top, row / one.viewport.height, one.viewport));
		left += width + GAP;
	}
	return frames;
}

/** A lead as high as the room, the chorus to its right, as large as it fits; undefined where it does not. */
function beside(room: Room, lead: Viewport, zoom: number, chorus: readonly Small[]): Laid[] | undefined {
	const scale = Math.min(zoom, wide(room) / lead.width, (room.height - TOP - LABEL) / lead.height);
	const from = LEFT + Math.max(SLOT * 2, lead.width * scale) + GAP;
	for (let row = 240; row >= LEAST; row -= 4) {
		const small = rowsAt(row, from, room, chorus);
		if (small) return [laid('lead', LEFT, TOP, scale, lead), ...small];
	}
	return undefined;
}

/** Lead above, chorus below. */
function above(room: Room, lead: Viewport, zoom: number, chorus: readonly Small[]): Laid[] {
	const row = rowHeight(room, chorus);
	const scale = Math.min(zoom, wide(room) / lead.width, leadRoom(room, chorus) / lead.height);
	const frames = [laid('lead', LEFT, TOP, scale, lead)];
	let left = LEFT;
	for (const one of chorus) {
		const top = room.height - LABEL - row;
		frames.push(laid(`chorus ${one.name}`, left, top, row / one.viewport.height, one.viewport));
		left += slot(row, one) + GAP;
	}
	return frames;
}

/**
 * Lead and chorus, each at the true size of its viewport, drawn smaller where it must be; no px of the lead larger
 * than `zoom`. The chorus lies below the lead, or to its right where a tall lead gains by it.
 */
export function layFrames(room: Room, lead: Viewport, zoom: number, chorus: readonly Small[]): Laid[] {
	const below = above(room, lead, zoom, chorus);
	const right = beside(room, lead, zoom, chorus);
	return right && (right[0]?.scale ?? 0) > 1.2 * (below[0]?.scale ?? 0) ? right : below;
}
