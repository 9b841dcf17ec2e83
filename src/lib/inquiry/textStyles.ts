import type { ElementPath } from '../core/html/index.ts';
import { intervals, printIntervalSet, toNumber } from '../core/interval/index.ts';
import { line, lineOver, within, type Curve, type CurveContext, type Over } from '../core/length/index.ts';
import {
	deafNote,
	nestedNote,
	notesOfSize,
	notesOfValue,
	ratioOf,
	zoomFault,
	BEYOND,
	type Sizing,
	type TypeNote,
	type ZoomFault
} from '../core/type/index.ts';
import type { ReadSizes, ReadText } from './sizes.ts';

/** Texts that have the same size at every width. */
export interface TextStyle {
	readonly id: string;
	/** Named by the selectors that decide it, otherwise by tags. */
	readonly name: string;
	readonly curve: Curve;
	readonly texts: readonly ReadText[];
}

/** A text that identifies a curve. */
export const curveKey = (curve: Curve): string =>
	curve
		.map(
			({ to, line: { constant, slope } }) =>
				`${to.at.n}/${to.at.d} ${constant.n}/${constant.d} ${slope.n}/${slope.d}`
		)
		.join();

/** At most so many selectors name a style. */
const NAMED = 2;

/** Texts by their size, the most frequent first; sizes known only to the engine are left out. */
export function stylesOf({ texts }: ReadSizes): TextStyle[] {
	const groups = new Map<string, ReadText[]>();
	for (const text of texts) {
		if (!text.size.curve) continue;
		const key = curveKey(text.size.curve);
		const own = groups.get(key);
		if (own) own.push(text);
		else groups.set(key, [text]);
	}
	return [...groups].map(([id, all]) => {
		const names = [
			...new Set(
				all.map(({ size, tag }) => {
					const own = size.sources.findLast(({ up, from }) => up === 0 && from)?.from;
					return own?.hit?.selector ?? (own ? `style of ${tag}` : tag);
				})
			)
		];
		const rest = names.length - NAMED;
		return {
			id,
			name: names.slice(0, NAMED).join(', ') + (rest > 0 ? ` +${rest}` : ''),
			curve: all[0]?.size.curve ?? [],
			texts: all
		};
	});
}

/** Remarks on a style, and whether it can be zoomed. */
export interface Checked {
	readonly style: TextStyle;
	readonly notes: readonly TypeNote[];
	readonly zoom: ZoomFault | null;
}

/** How much the browser's text size is enlarged to see what follows it. */
const LARGER = 1.5;

/** The checks of one style over some widths. */
export function checkedStyle(
	style: TextStyle,
	read: ReadSizes,
	larger: Sizing,
	over: Over,
	heights: CurveContext['heights'],
	rootFollows: boolean
): Checked {
	const [text] = style.texts;
	const notes: TypeNote[] = [];
	if (text) {
		const size = lineOver(BEYOND, line({ n: 16n, d: 1n }));
		const own = text.size.sources.filter(({ up, value }) => up === 0 && value !== '');
		for (const value of new Set(own.map((one) => one.value)))
			notes.push(...notesOfValue(value, { over: BEYOND, em: size, rem: size, percent: size, heights }));
		notes.push(...notesOfSize(style.curve, over));
		const around = parentOf(read, text);
		const nested = around && nestedNote(text.size.sources, read.sizing.size(around).sources);
		if (nested) notes.push(nested);
		// Where the root itself does not follow, that is reported once.
		const grown = rootFollows ? larger.size(text.index).curve : null;
		const deaf = grown && deafNote(within(style.curve, over), within(grown, over), LARGER);
		if (deaf) notes.push(deaf);
	}
	return { style, notes, zoom: zoomFault(style.curve, over) };
}

/** The part of the root's own size that does not follow the text size set in the browser: then no rem does. */
export function rootNote(read: ReadSizes, larger: Sizing, over: Over): TypeNote | undefined {
	const [own, grown] = [read.sizing.size(0).curve, larger.size(0).curve];
	return own && grown ? deafNote(within(own, over), within(grown, over), LARGER) : undefined;
}

const parentOf = (read: ReadSizes, { path }: ReadText): number | undefined => {
	const index = read.indexOf(path.slice(0, -1));
	return index < 0 ? undefined : index;
};

/** The sentence about text that cannot be zoomed (WCAG 2.2, 1.4.4). */
export function zoomSentence({ widths, most }: ZoomFault): string {
	const remedy = most
		? ` With ${Number(toNumber(most).toFixed(2))} px at the most it would at every width.`
		: ' A part of it that does not go by the window (rem) is wanted.';
	return `It cannot reach 200 % by zoom up to 500 %, ${printIntervalSet(widths)} (WCAG 2.2, 1.4.4).${remedy}`;
}

/** The ranges of a fault as numbers, for drawing, CSS px. */
export const stretchesIn = (fault: ZoomFault | null): { from: number; to: number }[] =>
	(fault ? intervals(fault.widths) : []).map(({ lo, hi }) => ({
		from: toNumber(lo),
		to: hi ? toNumber(hi) : Infinity
	}));

/** How large a text is compared with its parent's, in words; '' where it has the same size or no parent. */
export function ratioWords(read: ReadSizes, path: ElementPath, over: Over): string {
	const [own, around] = [read.indexOf(path), read.indexOf(path.slice(0, -1))].map((index) =>
		index < 0 ? null : read.sizing.size(index).curve
	);
	const ratio = own && around && ratioOf(within(own, over), within(around, over));
	if (!ratio || ratio.flat === 1) return '';
	const places = (value: number): string => String(Number(value.toFixed(4)));
	return ratio.flat === null
		? `${places(ratio.least)} to ${places(ratio.most)} of the size around it: not the same, ${printIntervalSet(ratio.widths)}`
		: `${places(ratio.flat)} of the size around it at every width`;
}

/** Styles from the largest at the wide end. */
export const bySize = (styles: readonly TextStyle[]): TextStyle[] =>
	[...styles].sort((a, b) => {
		const [x, y] = [a, b].map(({ curve }) => curve.at(-1)?.line ?? line({ n: 0n, d: 1n }));
		const at = (of: typeof x) => (of ? toNumber(of.constant) + 2560 * toNumber(of.slope) : 0);
		return at(y) - at(x);
	});
