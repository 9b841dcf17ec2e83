import {
	propertiesTouched,
	reachOf,
	touchedBy,
	changesIn,
	type Seen,
	type Touched
} from '../core/wake/index.ts';
import { cascadeOf } from '../core/cascade/index.ts';
import { parseSheet, sliceOf, walk } from '../core/css/index.ts';
import {
	compareCuts,
	contains,
	rationalFromNumber,
	type Cut,
	type IntervalSet
} from '../core/interval/index.ts';
import { elementsOf } from '../core/selector/index.ts';
import { solverOf } from '../core/media/index.ts';
import {
	firstWidths,
	nextWidths,
	remainingWidths,
	type Readings,
	type Stretch
} from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { PageContent } from '../stage/protocol.ts';
import { sheetParts } from './css.ts';
import { engineOf } from './engine.ts';
import type { PageState } from './page.svelte.ts';
import type { Stages } from './stages.svelte.ts';

/** A page before an edit and after it, as a vantage at all its widths. */
export interface Compared {
	readonly before: PageState;
	readonly after: PageState;
	readonly as: SeenVantage;
	readonly stages: Stages;
	readonly stretch: Stretch;
}

/** At-rules around style, which decide as conditions and layers do; all others may bear on anything. */
const AROUND = new Set(['media', 'supports', 'container', 'layer', 'scope']);

/** What of a page's sheets is neither style nor around it: fonts, key frames, imports. */
function besides(page: PageState, files: readonly string[]): string {
	const texts = files.flatMap((file) => {
		const text = page.sources.text(file) ?? '';
		const parts = sheetParts(text, file === page.path ? 'page' : 'sheet');
		return parts.flatMap(({ start, end }) => {
			const sheet = parseSheet(text.slice(start, end));
			return [...walk(sheet)].flatMap((node) =>
				node.kind === 'at-rule' && !AROUND.has(node.name) ? sliceOf(sheet.source, node.span) : []
			);
		});
	});
	return texts.join('\n');
}

/** A page's source without what its style elements say. */
function markupOf({ source }: PageState): string {
	let text = source;
	for (const { start, end } of sheetParts(source, 'page').toReversed())
		text = text.slice(0, start) + text.slice(end);
	return text;
}

/** What an edit touches on a page, and the widths at which that can change anything. */
interface EditTouched {
	readonly touched: Touched;
	readonly reach: IntervalSet;
}

/** What an edit of some files touches on a page, and the widths at which that can change anything. */
export function touchedOn({ before, after, as }: Compared, files: readonly string[]): EditTouched {
	const beyond = markupOf(before) !== markupOf(after) || besides(before, files) !== besides(after, files);
	const touched = touchedBy(
		cascadeOf(before.page, before.path, before.sources),
		cascadeOf(after.page, after.path, after.sources),
		beyond
	);
	return { touched, reach: reachOf(touched, solverOf(as)) };
}

/** What is asked of every element, so that what changes on itself is told from what follows. */
function asked({ after }: Compared, touched: Touched): NonNullable<PageContent['values']> {
	const engine = engineOf(document);
	const longhands = propertiesTouched(touched, cascadeOf(after.page, after.path, after.sources)).flatMap(
		(property) => [...(engine.expand(property, 'var(--any)')?.keys() ?? [])]
	);
	const selectors = [...touched.before, ...touched.after].flatMap(({ declared }) =>
		declared.selectors.map(elementsOf)
	);
	return { longhands: [...new Set(longhands)], selectors: [...new Set(selectors)] };
}

/** Cuts, each once, ascending. */
export function sortedCuts(cuts: readonly Cut[]): Cut[] {
	const each = new Map(cuts.map((cut) => [`${cut.at.n}/${cut.at.d} ${cut.after}`, cut]));
	return [...each.values()].sort(compareCuts);
}

/** The ends of bands on both sides, and their middles, CSS px, ascending. */
function endsAndMiddles(stretch: Stretch, cuts: readonly Cut[]): number[] {
	const ends = firstWidths(stretch, sortedCuts(cuts), stretch.to - stretch.from);
	const middles = ends.flatMap((width, i) => {
		const next = ends[i + 1];
		return next !== undefined && next - width > 1 ? Math.floor((width + next) / 2) : [];
	});
	return [...new Set([...ends, ...middles])].sort((a, b) => a - b);
}

/** A page at some widths as a vantage, with values of every element, from real layout. */
export async function seenAt(
	page: PageState,
	stages: Stages,
	as: SeenVantage,
	widths: readonly number[],
	values: NonNullable<PageContent['values']>,
	signal: AbortSignal,
	priority = 2
): Promise<Map<number, Seen>> {
	const found = new Map<number, Seen>();
	const { height, density } = as;
	const content = { ...page.content(stages.prefix, as), values };
	const job = { content, viewport: { width: as.width, height, density }, widths, priority, signal };
	for await (const one of stages.queue.measure(job))
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
	{ touched, reach }: EditTouched,
	depth: Depth,
	signal: AbortSignal
): AsyncGenerator<Compares> {
	const { before, after, as, stages, stretch } = compared;
	const cuts = [before, after].flatMap((page) => page.bands(as).thresholds.map(({ cut }) => cut));
	const values = asked(compared, touched);
	const known = new Map<number, Readings>();
	let measured = 0;
	const look = async (widths: readonly number[], priority = 2): Promise<void> => {
		const inside = widths.filter((width) => contains(reach, rationalFromNumber(width)));
		for (const width of widths) if (!inside.includes(width)) known.set(width, new Map());
		if (inside.length === 0) return;
		// One after the other: a stage that goes to and fro between two pages writes them anew each time.
		const was = await seenAt(before, stages, as, inside, values, signal, priority);
		const is = await seenAt(after, stages, as, inside, values, signal, priority);
		for (const width of inside) {
			const [a, b] = [was.get(width), is.get(width)];
			if (a && b) known.set(width, changesIn(a, b));
		}
		measured += inside.length;
	};
	await look(endsAndMiddles(stretch, cuts));
	if (signal.aborted) return;
	const told = (whole: boolean): Compares => ({ known: new Map(known), measured, whole });
	yield told(false);
	if (depth === 'bands') return;
	/** Looks at widths; false where that is to end: a stage that tells nothing would be asked for ever. */
	const goOn = async (next: readonly number[], priority?: number): Promise<boolean> => {
		await look(next, priority);
		return !signal.aborted && next.some((width) => known.has(width));
	};
	for (let next = nextWidths(known); next.length > 0; next = nextWidths(known)) {
		if (!(await goOn(next))) return;
		yield told(false);
	}
	if (depth === 'exact') return;
	for (let width = stretch.from; width <= stretch.to; width++)
		if (!contains(reach, rationalFromNumber(width))) known.set(width, new Map());
	const rest = (): number[] => remainingWidths(known, stretch, PORTION);
	for (let next = rest(); next.length > 0; next = rest()) {
		if (!(await goOn(next, -1))) return;
		const more = nextWidths(known);
		if (more.length > 0 && !(await goOn(more))) return;
		yield told(rest().length === 0);
	}
}
