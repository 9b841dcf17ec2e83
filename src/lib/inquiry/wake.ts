import { shiftOf, type KindSetting } from '../core/findings/settings.ts';
import type { Snapshot } from '../core/snapshot/index.ts';
import { changesIn, findingsBetween, type EditOnPage, type Followed, type Seen } from '../core/wake/index.ts';
import { contains, rationalFromNumber, type Cut } from '../core/interval/index.ts';
import {
	firstWidths,
	nextWidths,
	remainingWidths,
	type Readings,
	type WidthRange
} from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { PageContent } from '../stage/protocol.ts';
import type { BrowserEngine, MeasuringLayout } from './layout.ts';

/** A page before an edit and after it, as a vantage at all its widths. */
export interface Compared {
	readonly edit: EditOnPage;
	/** What frames are given before it, and after it. */
	readonly contents: readonly [PageContent, PageContent];
	readonly as: SeenVantage;
	readonly layout: MeasuringLayout;
	readonly stretch: WidthRange;
	/** What is asked of every element, made by `valuesAsked`. */
	readonly values: ValuesAsked;
	/** How the site wants findings. */
	readonly settings: readonly KindSetting[];
	/** Where elements of the page before the edit stand after it. */
	readonly followed: Followed;
}

/** A page at a width, with all that findings are read in. */
interface SeenWhole extends Seen {
	readonly snapshot: Snapshot;
}

/** Longhands that are asked of every element, and selectors that are tried on it. */
export type ValuesAsked = NonNullable<PageContent['values']>;

/** What is asked of every element, so that what changes on itself is told from what follows. */
export function valuesAsked(engine: BrowserEngine, { properties, selectors }: EditOnPage): ValuesAsked {
	const longhands = properties.flatMap((property) => [
		...(engine.expand(property, 'var(--any)')?.keys() ?? [])
	]);
	return { longhands: [...new Set(longhands)], selectors };
}

/** The ends of bands on both sides, and their middles, CSS px, ascending. */
function endsAndMiddles(stretch: WidthRange, cuts: readonly Cut[]): number[] {
	const ends = firstWidths(stretch, cuts, stretch.to - stretch.from);
	const middles = ends.flatMap((width, i) => {
		const next = ends[i + 1];
		return next !== undefined && next - width > 1 ? Math.floor((width + next) / 2) : [];
	});
	return [...new Set([...ends, ...middles])].sort((a, b) => a - b);
}

/** A page at some widths as a vantage, with values of every element, from real layout. */
export async function seenAt(
	of: PageContent,
	layout: MeasuringLayout,
	as: SeenVantage,
	widths: readonly number[],
	values: ValuesAsked,
	signal: AbortSignal,
	priority = 2
): Promise<Map<number, SeenWhole>> {
	const found = new Map<number, SeenWhole>();
	const { height, density } = as;
	const content = { ...of, values };
	const job = { content, viewport: { width: as.width, height, density }, widths, priority, signal };
	for await (const one of layout.measure(job))
		if (one.values) found.set(one.width, { snapshot: one.snapshot, values: one.values });
	return found;
}

/** How far a comparison goes: the ends and middles of bands; then where changes begin and end; then every px. */
export type Depth = 'bands' | 'exact' | 'every px';

/** What is known of a comparison, and how far that goes. */
export interface Compares {
	readonly known: ReadonlyMap<number, Readings>;
	readonly measured: number;
	/** Whether every px that the edit can reach has been measured. */
	readonly whole: boolean;
}

/** So many widths are compared at once in quiet time. */
const PORTION = 16;

/**
 * Measures a page before an edit and after it, and tells at each width what changed: the ends and middles of bands first,
 * then where it begins and ends, to the px; then, in quiet time, at every px, those that part the widest stretches first.
 * Widths that the edit cannot reach are not measured: nothing changed there.
 */
export async function* changesOver(
	compared: Compared,
	depth: Depth,
	signal: AbortSignal
): AsyncGenerator<Compares> {
	const { edit, contents, as, layout, stretch, values, settings, followed } = compared;
	const { reach, cuts } = edit;
	const [before, after] = contents;
	const known = new Map<number, Readings>();
	let measured = 0;
	const look = async (widths: readonly number[], priority = 2): Promise<void> => {
		const inside = widths.filter((width) => contains(reach, rationalFromNumber(width)));
		for (const width of widths) if (!inside.includes(width)) known.set(width, new Map());
		if (inside.length === 0) return;
		// One after the other: a stage that goes to and fro between two pages writes them anew each time.
		const was = await seenAt(before, layout, as, inside, values, signal, priority);
		const is = await seenAt(after, layout, as, inside, values, signal, priority);
		for (const width of inside) {
			const [a, b] = [was.get(width), is.get(width)];
			if (!a || !b) continue;
			const changes = changesIn(a, b);
			const shift = (key: string) => shiftOf(key, settings);
			for (const [key, by] of findingsBetween(a.snapshot, b.snapshot, shift, followed)) changes.set(key, by);
			known.set(width, changes);
		}
		measured += inside.length;
	};
	await look(endsAndMiddles(stretch, cuts));
	if (signal.aborted) return;
	const soFar = (whole: boolean): Compares => ({ known: new Map(known), measured, whole });
	yield soFar(false);
	if (depth === 'bands') return;
	/** Looks at widths; false where that is to end: a stage that tells nothing would be asked for ever. */
	const goOn = async (next: readonly number[], priority?: number): Promise<boolean> => {
		await look(next, priority);
		return !signal.aborted && next.some((width) => known.has(width));
	};
	for (let next = nextWidths(known); next.length > 0; next = nextWidths(known)) {
		if (!(await goOn(next))) return;
		yield soFar(false);
	}
	if (depth === 'exact') return;
	for (let width = stretch.from; width <= stretch.to; width++)
		if (!contains(reach, rationalFromNumber(width))) known.set(width, new Map());
	const rest = (): number[] => remainingWidths(known, stretch, PORTION);
	for (let next = rest(); next.length > 0; next = rest()) {
		if (!(await goOn(next, -1))) return;
		const more = nextWidths(known);
		if (more.length > 0 && !(await goOn(more))) return;
		yield soFar(rest().length === 0);
	}
}
