import * as z from 'zod';
import { storedWidths } from '../interval/store.ts';
import { FLAG } from '../snapshot/index.ts';
import type { Laid, Seen } from './changes.ts';

/** Longhands whose computed values a hold keeps, besides boxes: what is drawn, and how. */
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

const count = z.number().int().min(0).max(100_000);

/** A page at a width as it is kept: boxes and values of its elements, in document order. */
const heldWidth = z.object({
	/** CSS px. */
	width: z.number().min(1).max(20_000),
	tags: z.array(z.string().max(200)).max(100_000),
	parent: z.array(z.number().int().min(-1).max(100_000)).max(100_000),
	/** Left, top, width, height of each. */
	boxes: z.array(z.number()).max(400_000),
	shown: z.array(count),
	/** Every text of values once, and which each element has. */
	texts: z.array(z.string().max(20_000)).max(100_000),
	values: z.array(count).max(100_000)
});

/** What was measured when something was held. */
export const measurementSchema = z.object({
	page: z.string().max(1000),
	longhands: z.array(z.string().max(100)).max(1000),
	widths: z.array(heldWidth).max(400)
});
export type Measurement = z.infer<typeof measurementSchema>;

/** What must stay as it is: at some widths of a page, all of it, or an element with its inside, or all but that. */
export const holdSchema = z.object({
	page: z.string().max(1000),
	widths: storedWidths,
	scope: z.enum(['all', 'inside', 'but']),
	/** The element's path as an address has it, and what it is called; '' where all is held. */
	element: z.string().max(1000),
	name: z.string().max(500),
	/** The height and density at which it was measured, CSS px. */
	height: z.number().min(1).max(20_000),
	density: z.number().min(0.1).max(10),
	/** The revision that was the last when it was held. */
	revision: z.number().int().min(0),
	/** ISO 8601. */
	at: z.string().max(40),
	/** Hex SHA-256 of the measurement. */
	measurement: z.string().length(64),
	/** Elements that may change all the same, by their paths. */
	allowed: z.array(z.string().max(1000)).max(1000)
});
export type Hold = z.infer<typeof holdSchema>;

/** A page at a width, to be kept. */
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

/** What is kept of a page at a width, as it was seen. */
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

/** Whether an element is among what a hold holds. */
export function isHeld(
	{ scope, element, allowed }: Pick<Hold, 'scope' | 'element' | 'allowed'>,
	path: string
): boolean {
	if (allowed.some((one) => within(path, one))) return false;
	return scope === 'all' || (scope === 'inside') === within(path, element);
}
