import type { Part, Placement, Viewport } from '$lib/stage/protocol.ts';

export interface Room {
	readonly width: number;
	readonly height: number;
	/** The text size as a multiple of the usual one. */
	readonly text: number;
	/** Whether one frame beside the lead is enough where the room is low. */
	readonly few: boolean;
	/** Whether a lead higher than its place is cut there, at the scale of its width, rather than drawn smaller. */
	readonly cut: boolean;
	/** How far down the lead's viewport the visible part of a cut lead begins, CSS px; limited to what there is. */
	readonly pan: number;
}

export interface Small {
	readonly name: string;
	readonly viewport: Viewport;
	/** How much larger than the others it is drawn, on request. */
	readonly size: number;
}

export interface Laid extends Placement {
	/** Size as drawn, px of the screen. */
	readonly drawnWidth: number;
	readonly drawnHeight: number;
}

/**
 * Space around frames: for the ladder on the left, the heights on the lead's right, and a line of words under each.
 */
const LEFT = 72;
const SIDE = 28;
const HEIGHTS = 64;
const TOP = 20;
const LABEL = 34;
const GAP = 30;
/**
 * The minimum space for a chorus frame and its words, and the minimum and (in a small room) maximum height of its
 * drawing.
 */
const SLOT = 150;
const LEAST = 72;
const MOST = 240;

const label = (room: Room): number => LABEL * room.text;
const most = (room: Room): number => Math.max(MOST, room.height * 0.33);

const laid = (frame: string, left: number, top: number, scale: number, viewport: Viewport): Laid => ({
	frame,
	left: Math.round(left),
	top: Math.round(top),
	scale,
	viewport,
	drawnWidth: viewport.width * scale,
	drawnHeight: viewport.height * scale
});

const within = (value: number, most: number): number => Math.min(Math.max(0, value), Math.max(0, most));

/** The lead in its place: as large as `zoom` and the place's width allow, and cut or smaller where it is higher. */
function leadIn(
	room: Room,
	place: { readonly left: number; readonly top: number; readonly width: number; readonly height: number },
	viewport: Viewport,
	zoom: number
): Laid {
	const byWidth = Math.min(zoom, place.width / viewport.width);
	const scale = room.cut ? byWidth : Math.min(byWidth, place.height / viewport.height);
	const whole = laid('lead', place.left, place.top, scale, viewport);
	const height = Math.floor(place.height) / scale;
	if (!room.cut || height >= viewport.height) return whole;
	const top = within(room.pan, viewport.height - height);
	return {
		...whole,
		part: { left: 0, top, width: viewport.width, height },
		pans: true,
		drawnHeight: height * scale
	};
}

/** The total width of adjacent frames, and that of the lead: px of the screen. */
const wide = (room: Room): number => Math.max(100, room.width - LEFT - SIDE);
const leadWide = (room: Room): number => Math.max(100, room.width - LEFT - HEIGHTS * room.text);

const scaleOf = (row: number, { viewport, size }: Small): number => (row * size) / viewport.height;
const slot = (row: number, one: Small, room: Room): number =>
	Math.max(SLOT * room.text, scaleOf(row, one) * one.viewport.width);
const chorusFrame = (row: number, one: Small, left: number, top: number): Laid =>
	laid(`chorus ${one.name}`, left, top, scaleOf(row, one), one.viewport);

/** The height of a row of frames in which those of size 1 have some height. */
const highest = (row: number, chorus: readonly Small[]): number =>
	row * Math.max(1, ...chorus.map(({ size }) => size));

/** The height of the chorus: about a quarter of the room, less where it would not fit in a row. */
function rowHeight(room: Room, chorus: readonly Small[]): number {
	const gaps = GAP * Math.max(0, chorus.length - 1);
	for (let row = Math.max(LEAST, Math.min(most(room), room.height * 0.27)); row > LEAST; row -= 2) {
		const sum = chorus.reduce((all, one) => all + slot(row, one, room), gaps);
		if (sum <= wide(room) && highest(row, chorus) <= room.height * 0.6) return row;
	}
	return LEAST;
}

/** The maximum height of the lead's page, px of the screen. */
const leadRoom = (room: Room, chorus: readonly Small[]): number =>
	Math.max(
		120,
		room.height -
			TOP -
			label(room) -
			(chorus.length > 0 ? highest(rowHeight(room, chorus), chorus) + label(room) : 0)
	);

/** Rooms lower than this are low: a chorus below would leave too little for the lead. */
const LOW = 460;
const isLow = (room: Room): boolean => room.few && room.height < LOW * room.text;

/** The maximum height and width of a lead in a low room, px of the screen. */
function lowRoom(room: Room, chorus: readonly Small[]): { readonly width: number; readonly height: number } {
	const height = Math.max(60, room.height - TOP - label(room));
	const [first] = chorus;
	return { height, width: leadWide(room) - (first ? slot(height, first, room) + GAP : 0) };
}

/** The lead with the first of the chorus beside it, as high as a low room. */
function low(room: Room, lead: Viewport, zoom: number, chorus: readonly Small[]): Laid[] {
	const { width, height } = lowRoom(room, chorus);
	const drawn = leadIn(room, { left: LEFT, top: TOP, width, height }, lead, zoom);
	const [first] = chorus;
	const left = LEFT + Math.max(drawn.drawnWidth, SLOT) + HEIGHTS * room.text;
	return [drawn, ...(first ? [chorusFrame(height, first, left, TOP)] : [])];
}

/** The chorus in rows of equal height from a place on; undefined where it does not fit at that height. */
function rowsAt(row: number, from: number, room: Room, chorus: readonly Small[]): Laid[] | undefined {
	const frames: Laid[] = [];
	const height = highest(row, chorus);
	let [left, top] = [from, TOP];
	for (const one of chorus) {
		const width = slot(row, one, room);
		if (left > from && left + width > room.width - SIDE)
			[left, top] = [from, top + height + label(room) + GAP / 2];
		if (left + width > room.width - SIDE || top + height + label(room) > room.height) return undefined;
		frames.push(chorusFrame(row, one, left, top));
		left += width + GAP;
	}
	return frames;
}

/**
 * The chorus in a column from a place on, each frame as wide as there is room and no higher than leaves room for the
 * others.
 */
function columnAt(from: number, room: Room, chorus: readonly Small[]): Laid[] | undefined {
	const wide = room.width - SIDE - from;
	if (wide < SLOT * room.text) return undefined;
	const gaps = TOP + chorus.length * label(room) + ((chorus.length - 1) * GAP) / 2;
	const heightOf = (most: number, { viewport, size }: Small): number =>
		Math.min(most * size, (wide * viewport.height) / viewport.width);
	for (let most = room.height; most >= LEAST; most -= 4) {
		const heights = chorus.map((one) => heightOf(most, one));
		if (gaps + heights.reduce((sum, one) => sum + one, 0) > room.height) continue;
		let top = TOP;
		return chorus.map((one, i) => {
			const height = heights[i] ?? LEAST;
			const frame = laid(`chorus ${one.name}`, from, top, height / one.viewport.height, one.viewport);
			top += height + label(room) + GAP / 2;
			return frame;
		});
	}
	return undefined;
}

const area = (frames: readonly Laid[] = []): number =>
	frames.reduce((sum, one) => sum + one.drawnWidth * one.drawnHeight, 0);

/**
 * A lead as high as the room, with the chorus on its right, as large as possible; undefined where it does not fit.
 */
function beside(room: Room, lead: Viewport, zoom: number, chorus: readonly Small[]): Laid[] | undefined {
	const place = { left: LEFT, top: TOP, width: leadWide(room), height: room.height - TOP - label(room) };
	const drawn = leadIn(room, place, lead, zoom);
	const from = LEFT + Math.max(SLOT * 2 * room.text, drawn.drawnWidth) + HEIGHTS * room.text;
	const column = columnAt(from, room, chorus);
	for (let row = most(room); row >= LEAST; row -= 4) {
		const rows = rowsAt(row, from, room, chorus);
		if (rows) return [drawn, ...(area(column) > area(rows) ? (column ?? rows) : rows)];
	}
	return column && [drawn, ...column];
}

/** The lead above, the chorus below. */
function above(room: Room, lead: Viewport, zoom: number, chorus: readonly Small[]): Laid[] {
	const row = rowHeight(room, chorus);
	const place = { left: LEFT, top: TOP, width: leadWide(room), height: leadRoom(room, chorus) };
	const frames = [leadIn(room, place, lead, zoom)];
	const top = room.height - label(room) - highest(row, chorus);
	let left = LEFT;
	for (const one of chorus) {
		frames.push(chorusFrame(row, one, left, top));
		left += slot(row, one, room) + GAP;
	}
	return frames;
}

/**
 * The lead and the chorus, each with the true size of its viewport, drawn smaller where necessary; no px of the lead
 * larger than `zoom`. The chorus is below the lead, or on its right where more of everything is visible. In a low
 * room where that is enough, only the first of the chorus is beside the lead.
 */
export function layFrames(room: Room, lead: Viewport, zoom: number, chorus: readonly Small[]): Laid[] {
	if (isLow(room)) return low(room, lead, zoom, chorus);
	const below = above(room, lead, zoom, chorus);
	const right = chorus.length > 0 ? beside(room, lead, zoom, chorus) : undefined;
	return right && area(right) > area(below) ? right : below;
}

/** The space around a lead that stands alone. */
const ALONE = { side: 12, top: 12 } as const;

const aloneHeight = (room: Room): number => Math.max(120, room.height - ALONE.top - label(room));

/**
 * The lead alone, at full size, centred in a wider room; where the lead is wider, or higher and not cut, the room
 * scrolls.
 */
export function layAlone(room: Room, lead: Viewport, zoom: number): Laid {
	const width = lead.width * zoom;
	const left = Math.max(ALONE.side, (room.width - width) / 2);
	const height = room.cut ? aloneHeight(room) : lead.height * zoom;
	return leadIn(room, { left, top: ALONE.top, width, height }, lead, zoom);
}

/** The space that frames with their ladders take: px of the screen, at least the room's. */
export const extent = (room: Room, frames: readonly Laid[]): Room => ({
	...room,
	width: Math.max(room.width, ...frames.map((one) => one.left + one.drawnWidth + ALONE.side)),
	height: Math.max(room.height, ...frames.map((one) => one.top + one.drawnHeight + label(room)))
});

/** Space to the left of a whole-width Collation's columns, around them, and in each of them beside its frame. */
const COLUMNS = { side: 16, inner: 16, top: 8, bottom: 8 } as const;

/** A frame above a column: its id, its viewport, and the box in it to be shown, CSS px of the viewport. */
export interface Over {
	readonly frame: string;
	readonly viewport: Viewport;
	readonly box: Part | null;
}

/** How much around a box is drawn with it, as a fraction of the viewport's width. */
const AROUND = 0.06;

/**
 * Frames above the columns of a table whose first column has some width: of each page the part around the box is
 * drawn, as large as its column allows.
 */
export function layColumns(room: Room, names: number, columns: readonly Over[]): Laid[] {
	const wide = (room.width - 2 * COLUMNS.side - names) / Math.max(1, columns.length) - COLUMNS.inner;
	const high = Math.max(60, room.height - COLUMNS.top - COLUMNS.bottom);
	return columns.map(({ frame, viewport, box }, i) => {
		const preferred = box && box.width > 0 ? box.width + 2 * AROUND * viewport.width : viewport.width;
		const width = Math.min(viewport.width, Math.max(wide, preferred));
		const scale = Math.min(1, wide / width);
		const height = Math.min(viewport.height, high / scale);
		const part = {
			width,
			height,
			left: within((box?.left ?? 0) - (width - (box?.width ?? 0)) / 2, viewport.width - width),
			top: within((box?.top ?? 0) - AROUND * width, viewport.height - height)
		};
		const left = COLUMNS.side + names + i * (wide + COLUMNS.inner) + COLUMNS.inner / 2;
		return {
			...laid(frame, left, COLUMNS.top, scale, viewport),
			part,
			drawnWidth: width * scale,
			drawnHeight: height * scale
		};
	});
}
