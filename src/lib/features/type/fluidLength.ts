import { tabStore } from '$lib/session/store.ts';
import * as z from 'zod/mini';
import { JUDGED } from '$lib/writing/sizeEdit.ts';
import type { ElementPath } from '$lib/core/html/index.ts';
import { DONE, refuse, type Result } from '$lib/core/text/index.ts';
import { fewestPlaces, fluidText, type Writing } from '$lib/core/scale/index.ts';

const size = z.number().check(z.gt(0));
const judged = z.object({ size, width: size });

/** A size with the width for which it is intended, px. */
export type Judged = Readonly<z.infer<typeof judged>>;

/**
 * The middle of a length: a straight line between the ends, relative to the window, or through a size at a width.
 */
const middle = z.discriminatedUnion('kind', [
	z.object({ kind: z.literal('between') }),
	z.object({ kind: z.literal('vw'), vw: size }),
	z.object({ kind: z.literal('at'), size, width: size })
]);
export type Middle = Readonly<z.infer<typeof middle>>;

const schema = z.object({
	path: z.array(z.int()),
	selector: z.string(),
	property: z.string(),
	least: judged,
	middle,
	most: judged,
	comment: z.boolean()
});

/** A length defined by three numbers. */
export interface FluidLength {
	readonly path: ElementPath;
	readonly selector: string;
	readonly property: string;
	readonly least: Judged;
	readonly middle: Middle;
	readonly most: Judged;
	/** Whether the intended widths, and what was tried, are written into the sheet as a comment. */
	readonly comment: boolean;
}

/** Refuses three numbers that define no length. */
export function checkLength({ least, middle, most }: FluidLength): Result {
	if (!(least.size > 0) || !(most.size > 0)) return refuse('A size has to be above 0 px.');
	if (least.size > most.size)
		return refuse(
			`The smallest, ${least.size} px, is above the largest, ${most.size} px: the smallest would win everywhere.`
		);
	if (middle.kind === 'between') {
		if (least.width === most.width)
			return refuse(`Both were judged at ${least.width} px: there is no width between to grow over.`);
		if (least.width > most.width)
			return refuse(
				`The smallest was judged at ${least.width} px, the largest at ${most.width}: narrower. Exchange the widths.`
			);
	}
	if (middle.kind === 'vw' && !(middle.vw > 0))
		return refuse('The middle has to grow with the window: more than 0 vw.');
	if (middle.kind === 'at' && !(middle.size > 0))
		return refuse('The size in the middle has to be above 0 px.');
	return DONE;
}

/** The precision of written sizes, px. */
const OFF = 0.009;

/** A length in CSS. */
export function lengthText({ least, middle, most }: FluidLength, writing: Writing): string {
	if (middle.kind === 'between') return fluidText({ from: least, to: most }, writing);
	const { unit, ends, root } = writing;
	const per = ends === 'rem' ? root : 1;
	const end = ({ size }: Judged): string => `${fewestPlaces(size / per, OFF / per)}${ends}`;
	const vw = middle.kind === 'vw' ? middle.vw : (100 * middle.size) / middle.width;
	return `clamp(${end(least)}, ${fewestPlaces(vw, 0.0004)}${unit}, ${end(most)})`;
}

/** The intended widths of a length, and what was tried before it, as a comment. */
export function judgedWords({ least, middle, most }: FluidLength, tried: readonly string[]): string {
	const at = ({ size, width }: Judged): string => `${size}px at ${width}`;
	const between = middle.kind === 'at' ? `, ${at(middle)}` : '';
	const others = tried.length > 0 ? `; tried ${tried.slice(-3).join(', ')}` : '';
	return `${JUDGED}: ${at(least)}${between}, ${at(most)}${others}`;
}

const keyOf = (site: number, page: string): string => `vantaggio-length ${site} ${page}`;

/** Stores what is being set, so that it survives a reload. */
export function keepLength(site: number, page: string, length: FluidLength | null): void {
	if (length) tabStore.set(keyOf(site, page), JSON.stringify(length));
	else tabStore.remove(keyOf(site, page));
}

/** What was being set before a reload; null for nothing. */
export function keptLength(site: number, page: string): FluidLength | null {
	try {
		return schema.parse(JSON.parse(tabStore.get(keyOf(site, page)) ?? ''));
	} catch {
		return null;
	}
}
