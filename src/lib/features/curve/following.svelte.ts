import { messageOf } from '$lib/core/text/index.ts';
import { version } from '$app/environment';
import {
	changesBetween,
	nextWidths,
	piecesOf,
	valueOf,
	type Change,
	type KnownValues,
	type Piece,
	type Value
} from '$lib/core/curve/index.ts';
import type { ElementPath } from '$lib/core/html/index.ts';
import {
	fromInterval,
	NOTHING,
	rationalFromNumber,
	union,
	type IntervalSet
} from '$lib/core/interval/index.ts';
import { coverage, firstWidths, remainingWidths } from '$lib/core/sweep/index.ts';
import type { PageContent } from '$lib/stage/protocol.ts';
import { keptReadings, READINGS } from '$lib/session/keptReadings.ts';
import { inRounds, type Phase } from '$lib/features/findings/rounds.ts';
import { GRID, PORTION, STRETCH, sweptAs, type Swept } from '$lib/features/findings/sweeping.svelte.ts';

/** What of a box is followed, with what it is called. */
export const BOX = [
	{ property: 'box:width', name: 'width of the box' },
	{ property: 'box:height', name: 'height of the box' },
	{ property: 'box:left', name: 'left edge' },
	{ property: 'box:top', name: 'upper edge' }
] as const;

/** Values that layout gives, which it rounds; others are as exact as they are printed. */
const LAID_OUT =
	/^(box:|width|height|inline-size|block-size|margin|padding|inset|top$|right$|bottom$|left$|grid-template|transform|perspective)/;

/** How far what was read of a property may be off, in its own unit. */
export const toleranceOf = (property: string): number => (LAID_OUT.test(property) ? 3 / 64 : 1 / 500);

/** How long what is read is gathered before it is shown, ms. */
const GATHER = 300;

/** A page as a stage is given it, with an element and a property that are followed. */
export const following = (content: PageContent, path: ElementPath, property: string): PageContent => ({
	...content,
	followed: { path: [...path], longhands: property.startsWith('box:') ? [] : [property] }
});

/** A value of an element at every width, and where it changes. */
export class Following {
	/** What is followed: a property, or what of the box. */
	property = $state('box:width');
	/** What is measured, and of what. */
	#key = '';
	#known = new Map<number, Value>();
	known = $state.raw<KnownValues>(new Map());
	phase = $state<Phase>('quick');
	trouble = $state('');
	/** Which change is looked at, by the width before it; null for none. */
	chosen = $state<number | null>(null);
	/** What is followed, as what; null before it first is. */
	of = $state.raw<{ readonly swept: Swept; readonly path: ElementPath; readonly property: string } | null>(
		null
	);

	readonly #tolerance: number = $derived.by(() => toleranceOf(this.property));
	readonly pieces: readonly Piece[] = $derived.by(() => piecesOf(this.known, this.#tolerance));
	readonly changes: readonly Change[] = $derived.by(() => changesBetween(this.pieces, this.#tolerance));
	readonly coverage = $derived.by(() => coverage(this.known, STRETCH));
	/** Where it changes, as stretches from the px before to the px after. */
	readonly widths: IntervalSet = $derived.by(() =>
		this.changes.reduce((set, { at, after, kind }) => {
			const on = rationalFromNumber(kind === 'knee' ? Math.round(at) : after);
			return union(set, fromInterval({ lo: on, loClosed: true, hi: on, hiClosed: true }));
		}, NOTHING)
	);
	/** The whole px on both sides of each change, ascending. */
	readonly edges: readonly number[] = $derived.by(() => [
		...new Set(this.changes.flatMap((change) => edgesOf(change)))
	]);

	/** Follows a value of an element over all widths, until that is done or the signal ends it. */
	async follow(swept: Swept, path: ElementPath, signal: AbortSignal): Promise<void> {
		const { page, stages, lead, plain } = swept;
		const { property } = this;
		const { as } = sweptAs(lead, plain);
		const { width, height, density } = as;
		const content = following(page.content(stages.prefix, as), path, property);
		const key = JSON.stringify([version, content, height, density]);
		this.trouble = '';
		// What is read of a box is read for all that is followed of it.
		if (`${property} ${key}` !== this.#key) {
			this.#key = `${property} ${key}`;
			this.#known = new Map();
			this.known = new Map();
			this.chosen = null;
		}
		const known = this.#known;
		this.of = { swept, path, property };
		const take = (width: number, readings: ReadonlyMap<string, number | string>): void => {
			const read = readings.get(property);
			if (read !== undefined) known.set(width, valueOf(String(read)));
		};
		const kept = await keptReadings(key);
		if (known.size === 0) for (const [at, readings] of await kept.known()) take(at, readings);
		if (signal.aborted) return;
		let shown = performance.now();
		const show = (): void => {
			shown = performance.now();
			if (!signal.aborted) this.known = new Map(known);
		};
		show();
		const cuts = page.bands(as).thresholds.map(({ cut }) => cut);
		const measure = async (widths: readonly number[], priority: number): Promise<void> => {
			const read = new Map<number, ReadonlyMap<string, number | string>>();
			const job = { content, viewport: { width, height, density }, widths, priority, signal };
			for await (const one of stages.read(job)) {
				const readings = READINGS.parse(one.readings);
				read.set(one.width, readings);
				take(one.width, readings);
				if (performance.now() - shown > GATHER) show();
			}
			void kept.keep(read);
			show();
			if (!signal.aborted && ![...read.keys()].some((at) => known.has(at)))
				throw new Error('There is no such element, or the stage measured nothing.');
		};
		try {
			await inRounds({
				first: firstWidths(STRETCH, cuts, GRID).filter((at) => !known.has(at)),
				next: () => nextWidths(piecesOf(known, toleranceOf(property))),
				remaining: () => remainingWidths(known, STRETCH, PORTION),
				measure,
				onphase: (phase) => (this.phase = phase),
				isPaused: () => false,
				signal
			});
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		}
	}
}

/** The whole px on both sides of a change. */
export function edgesOf({ kind, at, before, after }: Change): [number, number] {
	if (kind !== 'knee') return [Math.floor(before), Math.ceil(after)];
	const below = Math.ceil(at) - 1;
	return [below, below + 1];
}
