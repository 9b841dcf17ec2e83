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

/** A page before an edit and after it, in a vantage at all its widths. */
export interface Compared {
	readonly edit: EditOnPage;
	/** What frames get before it, and after it. */
	readonly contents: readonly [PageContent, PageContent];
	readonly as: SeenVantage;
	readonly layout: MeasuringLayout;
	readonly stretch: WidthRange;
	/** The question about every element, from `valuesAsked`. */
	readonly values: ValuesAsked;
	/** The site's settings for findings. */
	readonly settings: readonly KindSetting[];
	/** Where elements of the page before the edit are after it. */
	readonly followed: Followed;
}

/** A page at a width, with everything that findings are read from. */
interface SeenWhole extends Seen {
	readonly snapshot: Snapshot;
}

/** Longhands to be read for every element, and selectors to be tried on it. */
export type ValuesAsked = NonNullable<PageContent['values']>;

/** The question about every element, by which changes of its own are told from their consequences. */
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

/** A page at some widths in a vantage, with values of every element, from real layout. */
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

/** The stages of a comparison: the ends and middles of bands; then where changes begin and end; then every px. */
export type Depth = 'bands' | 'exact' | 'every px';

/** The results of a comparison so far. */
export interface Compares {
	readonly known: ReadonlyMap<number, Readings>;
	readonly measured: number;
	/** Whether every px that the edit can reach has been measured. */
	readonly whole: boolean;
}

/** So many widths are compared at once when idle. */
const PORTION = 16;

/**
 * Measures a page before and after an edit, and reports at each width what changed: the ends and middles of bands
 * first, then where changes begin and end, to the px; then, when idle, every px, dividing the widest gaps first.
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
		// One page after the other: a stage that alternates between two pages rewrites them each time.
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
	/** Measures widths; false where that has to end: a stage that answers nothing would be asked forever. */
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
