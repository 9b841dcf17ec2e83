import { readingsOf } from '../core/findings/index.ts';
import { NOTHING, union, type IntervalSet } from '../core/interval/index.ts';
import type { Bands } from '../core/media/index.ts';
import {
	coverage,
	firstWidths,
	foundIn,
	nextWidths,
	remainingWidths,
	type Found,
	type Known,
	type Readings,
	type Stretch
} from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { PageState } from './page.svelte.ts';
import type { Stages } from './stages.svelte.ts';

/** What is swept: a page as a vantage at all its widths. */
export interface Swept {
	readonly page: PageState;
	readonly stages: Stages;
	readonly lead: SeenVantage;
	/** Whether the lead is a plain window, whose height goes by its place on the table: it is swept at one of its own. */
	readonly plain: boolean;
}

/** The size at which a plain window is swept, and the width that a vantage has meanwhile, CSS px. */
const [WIDTH, HEIGHT] = [1280, 800];

/** The widths that are swept, and the grid of a quick sweep, CSS px. */
const STRETCH: Stretch = { from: 240, to: 2560 };
const GRID = 64;
/** So many widths are asked for at once in quiet time: what is more urgent waits no longer than for these. */
const PORTION = 24;
/** How long measurements are gathered before they are shown, ms. */
const GATHER = 200;
/** Pages whose readings are kept, by what their frames are given. */
const KEPT = 6;

/** What is wrong with a page, width by width: measured on stages that nobody sees, quick first, then every px. */
export class Sweeping {
	known = $state.raw<Known>(new Map());
	phase = $state<'quick' | 'whole' | 'done'>('quick');
	paused = $state(false);
	/** The key of the finding that is looked at; '' for none. */
	chosen = $state('');
	/** Why measuring ended before its end; '' where it did not. */
	trouble = $state('');
	#cuts = $state.raw<Bands['thresholds']>([]);
	readonly #kept = new Map<string, Map<number, Readings>>();

	readonly found: readonly Found[] = $derived.by(() =>
		foundIn(
			this.known,
			this.#cuts.map(({ cut }) => cut)
		)
	);
	/** The widths of the finding that is looked at, or of all. */
	readonly widths: IntervalSet = $derived.by(() => {
		const chosen = this.found.filter(({ key }) => key === this.chosen);
		return (chosen.length > 0 ? chosen : this.found).reduce((set, { widths }) => union(set, widths), NOTHING);
	});
	readonly coverage = $derived.by(() => coverage(this.known, STRETCH));

	/** Sweeps a page, until it is done or the signal ends it; what is known of the same texts is not measured again. */
	async sweep({ page, stages, lead, plain }: Swept, signal: AbortSignal): Promise<void> {
		const as: SeenVantage = { ...lead, width: WIDTH, height: plain ? HEIGHT : lead.height };
		const { height, density } = as;
		const bands = page.bands(as);
		const content = page.content(stages.prefix, as);
		const known = this.#readings(JSON.stringify([content, height, density]));
		this.#cuts = bands.thresholds;
		this.known = new Map(known);
		this.trouble = '';
		let shown = performance.now();
		const show = (): void => {
			shown = performance.now();
			if (!signal.aborted) this.known = new Map(known);
		};
		const measure = async (widths: readonly number[], priority: number): Promise<void> => {
			const before = known.size;
			const viewport = { width: WIDTH, height, density };
			for await (const { width, snapshot } of stages.queue.measure({
				content,
				viewport,
				widths,
				priority,
				signal
			})) {
				known.set(width, readingsOf(snapshot));
				if (performance.now() - shown > GATHER) show();
			}
			show();
			if (known.size === before && !signal.aborted) throw new Error('The stage measured nothing.');
		};
		try {
			this.phase = 'quick';
			const cuts = bands.thresholds.map(({ cut }) => cut);
			const first = firstWidths(STRETCH, cuts, GRID).filter((width) => !known.has(width));
			let next = [...first, ...nextWidths(known)];
			for (; next.length > 0 && !signal.aborted; next = nextWidths(known)) await measure(next, 0);
			this.phase = 'whole';
			const remaining = (): number[] => remainingWidths(known, STRETCH, PORTION);
			for (next = remaining(); next.length > 0 && !signal.aborted && !this.paused; next = remaining())
				await measure(next, -1);
			if (next.length === 0) this.phase = 'done';
		} catch (error) {
			if (!signal.aborted) this.trouble = error instanceof Error ? error.message : String(error);
		}
	}

	#readings(key: string): Map<number, Readings> {
		const known = this.#kept.get(key) ?? new Map<number, Readings>();
		this.#kept.delete(key);
		this.#kept.set(key, known);
		if (this.#kept.size > KEPT) this.#kept.delete(this.#kept.keys().next().value as string);
		return known;
	}
}
