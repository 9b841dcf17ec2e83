import type { Placement, Viewport } from '$lib/stage/protocol.ts';

export interface Room {
	readonly width: number;
	readonly height: number;
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
/** The least room for a chorus frame and its words. */
const SLOT = 140;

const laid = (frame: string, left: number, top: number, scale: number, viewport: Viewport): Laid => ({
	frame,
	left: Math.round(left),
	top: Math.round(top),
	scale,
	viewport,
	drawnWidth: viewport.width * scale,
	drawnHeight: viewport.height * scale
});

/** The drawn height of the chorus in a room, px. */
const chorusHeight = (room: Room): number => Math.max(96, Math.min(240, room.height * 0.27));

/** The viewport of the lead: the carriage's width, and as high as its place allows at the scale of its width. */
export function leadViewport(room: Room, width: number): Viewport {
	const high = Math.max(120, room.height - TOP - LABEL - chorusHeight(room) - LABEL);
	const scale = Math.min(1, Math.max(100, room.width - LEFT - SIDE) / width);
	return { width, height: Math.round(high / scale), density: 1 };
}

/** Lead above, chorus below, each at the true size of its viewport, drawn smaller where it must be. */
export function layFrames(
	room: Room,
	lead: Viewport,
	chorus: readonly { readonly name: string; readonly viewport: Viewport }[]
): Laid[] {
	const wide = Math.max(100, room.width - LEFT - SIDE);
	const frames = [laid('lead', LEFT, TOP, Math.min(1, wide / lead.width), lead)];
	const row = chorusHeight(room);
	const widths = chorus.map(({ viewport }) => (row / viewport.height) * viewport.width);
	const spare = wide - GAP * Math.max(0, chorus.length - 1);
	const shrink = Math.min(
		1,
		spare /
			Math.max(
				1,
				widths.reduce((sum, one) => sum + Math.max(SLOT, one), 0)
			)
	);
	let left = LEFT;
	const top = room.height - LABEL - row;
	for (const { name, viewport } of chorus) {
		const scale = Math.min(1, (row / viewport.height) * shrink);
		frames.push(laid(name, left, top, scale, viewport));
		left += Math.max(SLOT, viewport.width * scale) + GAP;
	}
	return frames;
}
