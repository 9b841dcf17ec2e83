import * as z from 'zod/mini';

const naturalSize = z.int().check(z.positive(), z.maximum(100_000));
const px = z.number().check(z.minimum(-100_000), z.maximum(100_000));

/**
 * A picture of how a page should look at a width. Its upper left corner is at `x`, `y`, CSS px of the page, and each
 * of its px is `scale` CSS px large.
 */
export const originalSchema = z.strictObject({
	name: z.string().check(z.trim(), z.minLength(1), z.maxLength(200)),
	/** Hex SHA-256 of the picture's bytes. */
	hash: z.string().check(z.regex(/^[0-9a-f]{64}$/)),
	/** Natural size of the picture, px. */
	width: naturalSize,
	height: naturalSize,
	page: z.string().check(z.maxLength(400)),
	/** The viewport width at which the page should look like it, CSS px. */
	at: z.number().check(z.minimum(1), z.maximum(10_000)),
	x: px,
	y: px,
	scale: z.number().check(z.minimum(0.01), z.maximum(100))
});

export type Original = z.infer<typeof originalSchema>;

export interface Point {
	readonly x: number;
	readonly y: number;
}

/** How a picture is aligned with a page. */
export type Alignment = Pick<Original, 'x' | 'y' | 'scale'>;

/**
 * Where a picture is placed at first: at the top, as wide as the viewport, so that pictures of twice the px are
 * halved.
 */
export const initialAlignment = (width: number, at: number): Alignment => ({ x: 0, y: 0, scale: at / width });

/** Converts a point of the page to a point of the picture, and back. */
export const onPicture = ({ x, y, scale }: Alignment, point: Point): Point => ({
	x: (point.x - x) / scale,
	y: (point.y - y) / scale
});
export const onPage = ({ x, y, scale }: Alignment, point: Point): Point => ({
	x: x + point.x * scale,
	y: y + point.y * scale
});

/**
 * The alignment that brings two points of a picture to two points of the page, as nearly as moving and one scale can:
 * the scale is the ratio of the distances, and the middles coincide. Undefined where two points are the same.
 */
export function alignByPoints(
	picture: readonly [Point, Point],
	page: readonly [Point, Point]
): Alignment | undefined {
	const distance = ([a, b]: readonly [Point, Point]): number => Math.hypot(b.x - a.x, b.y - a.y);
	const [from, to] = [distance(picture), distance(page)];
	if (from === 0 || to === 0) return undefined;
	const scale = to / from;
	const middle = ([a, b]: readonly [Point, Point]): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
	const [m, n] = [middle(picture), middle(page)];
	return { x: n.x - m.x * scale, y: n.y - m.y * scale, scale };
}
