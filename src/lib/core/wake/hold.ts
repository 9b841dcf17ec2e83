import * as z from 'zod/mini';
import { storedWidths } from '../interval/store.ts';
import { FLAG } from '../snapshot/index.ts';
import { switchesSchema, vantageSchema } from '../vantage/index.ts';
import type { Laid, Seen } from './changes.ts';

/** Longhands whose computed values a Hold keeps, besides boxes: what is painted, and how. */
export const HELD_LONGHANDS = [
	'color',
	'background-color',
	'background-image',
	'opacity',
	'visibility',
	'display',
	'position',
	'float',
	'font-family',
	'font-size',
	'font-weight',
	'font-style',
	'line-height',
	'letter-spacing',
	'text-align',
	'text-transform',
	'text-decoration-line',
	'white-space',
	'overflow-x',
	'overflow-y',
	'z-index',
	'order',
	'flex-direction',
	'justify-content',
	'align-items',
	'transform',
	'box-shadow',
	'object-fit',
	'object-position',
	'border-top-style',
	'border-top-color',
	'border-right-style',
	'border-right-color',
	'border-bottom-style',
	'border-bottom-color',
	'border-left-style',
	'border-left-color',
	'border-top-left-radius',
	'list-style-type',
	'writing-mode',
	'direction',
	'cursor',
	'pointer-events',
	'content-visibility',
	'filter',
	'clip-path'
] as const;

const text = (most: number) => z.string().check(z.maxLength(most));
const number = (least: number, most: number) => z.number().check(z.minimum(least), z.maximum(most));
const whole = (least: number, most: number) => z.int().check(z.minimum(least), z.maximum(most));
const list = <S extends z.core.SomeType>(of: S, most: number) => z.array(of).check(z.maxLength(most));
const count = whole(0, 100_000);

/** A stored page at a width: boxes and values of its elements, in document order. */
const heldWidth = z.object({
	/** CSS px. */
	width: number(1, 20_000),
	tags: list(text(200), 100_000),
	parent: list(whole(-1, 100_000), 100_000),
	/** Left, top, width, height of each. */
	boxes: list(z.number(), 400_000),
	shown: z.array(count),
	/** Every text of values once, and the index of each element's. */
	texts: list(text(20_000), 100_000),
	values: list(count, 100_000)
});

/** What was measured when something was held. */
export const measurementSchema = z.object({
	page: text(1000),
	longhands: list(text(100), 1000),
	widths: list(heldWidth, 400)
});
export type Measurement = z.infer<typeof measurementSchema>;

/**
 * What must stay as it is: at some widths of a page, the whole page, or an element with its content, or everything
 * else.
 */
export const holdSchema = z.object({
	page: text(1000),
	widths: storedWidths,
	scope: z.enum(['all', 'inside', 'but']),
	/** The element's path as in addresses, and its name; '' where the whole page is held. */
	element: text(1000),
	name: text(500),
	/** The window in which it was measured, and the switches; Holds made by earlier versions do not have them. */
	window: z.optional(vantageSchema),
	switches: z.optional(switchesSchema),
	/** The height (CSS px) and density at which it was measured. */
	height: number(1, 20_000),
	density: number(0.1, 10),
	/** The newest revision at the time of holding. */
	revision: z.int().check(z.minimum(0)),
	/** Whether there were unsaved changes. */
	unsaved: z.optional(z.boolean()),
	/** ISO 8601. */
	at: text(40),
	/** Hex SHA-256 of the measurement. */
	measurement: z.string().check(z.length(64)),
	/** Paths of elements that may change nevertheless. */
	allowed: list(text(1000), 1000)
});
export type Hold = z.infer<typeof holdSchema>;

/** A page at a width, to be stored. */
export function toHold(width: number, { snapshot, values }: Seen): Measurement['widths'][number] {
	const { tags, parent, boxes, flags } = snapshot;
	const texts = new Map<string, number>();
	const numbers = values.texts.map((text) => {
		const known = texts.get(text) ?? texts.size;
		texts.set(text, known);
		return known;
	});
	return {
		width,
		tags: [...tags],
		parent: [...parent],
		boxes: [...boxes],
		shown: [...flags].flatMap((flag, i) => ((flag & FLAG.shown) !== 0 ? [i] : [])),
		texts: [...texts.keys()],
		values: numbers
	};
}

/** What is kept of a page at a width, as measured. */
export function fromHeld({ tags, parent, boxes, shown, texts, values }: Measurement['widths'][number]): {
	readonly snapshot: Laid;
	readonly values: Seen['values'];
} {
	const flags = new Uint32Array(tags.length);
	for (const i of shown) flags[i] = FLAG.shown;
	return {
		snapshot: {
			count: tags.length,
			tags,
			parent: Int32Array.from(parent),
			boxes: Float64Array.from(boxes),
			flags
		},
		values: { texts: values.map((i) => texts[i] ?? ''), hit: new Uint8Array(tags.length) }
	};
}

const within = (path: string, outer: string): boolean =>
	outer === '' || path === outer || path.startsWith(`${outer}.`);

/** Whether an element is covered by a Hold. */
export function isHeld(
	{ scope, element, allowed }: Pick<Hold, 'scope' | 'element' | 'allowed'>,
	path: string
): boolean {
	if (allowed.some((one) => within(path, one))) return false;
	return scope === 'all' || (scope === 'inside') === within(path, element);
}
