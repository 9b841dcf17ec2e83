import { shiftOf, type KindSetting } from '../core/findings/settings.ts';
import { printIntervalSet, type Cut } from '../core/interval/index.ts';
import {
	coverage,
	firstWidths,
	foundIn,
	halfWidths,
	nextWidths,
	remainingWidths,
	unmeasured,
	type Found,
	type Readings,
	type WidthRange
} from '../core/sweep/index.ts';
import type { PageContent, Viewport } from '../stage/protocol.ts';
import type { MeasuringLayout } from './layout.ts';
import { READINGS } from './readings.ts';
import { inRounds, PORTION, type Phase } from './rounds.ts';

/** The grid of a quick sweep, CSS px. */
export const GRID = 64;
/** How long measurements are gathered before they are reported, quick and complete sweep, ms. */
const GATHER = { quick: 200, whole: 1000 };

/** What is swept: a page in a vantage, over some widths. */
export interface SweptPage {
	readonly layout: MeasuringLayout;
	readonly content: PageContent;
	readonly viewport: Viewport;
	readonly stretch: WidthRange;
	/** Where conditions change. */
	readonly cuts: readonly Cut[];
}

/** The progress of a sweep. */
export interface SweepReport extends ReturnType<typeof coverage> {
	readonly found: readonly Found[];
	/** The runs of unmeasured widths. */
	readonly unmeasured: readonly WidthRange[];
	readonly phase: Phase;
	/** How many widths have been measured since something new was found, or an end moved. */
	readonly sinceNew: number;
	/** How long the rest takes at the present pace, ms; null where that is unknown. */
	readonly left: number | null;
	/** Widths at which the page hangs, which were given up. */
	readonly given: readonly number[];
}

/** Finds what is wrong with a page, width by width, from real layout: quickly first, then at every px. */
export class Sweep {
	readonly #of: SweptPage;
	/** What is read at each width; known widths are not measured again. */
	readonly known: Map<number, Readings>;
	/** Called with what was read at some widths. */
	readonly #keep: (read: ReadonlyMap<number, Readings>) => void;
	#settings: readonly KindSetting[];
	readonly #given = new Set<number>();
	#phase: Phase = 'quick';
	readonly #begun = performance.now();
	readonly #had: number;
	/** The latest findings in words, and how many widths had been measured then. */
	#last = '';
	#lastAt: number;

	constructor(
		of: SweptPage,
		known: Map<number, Readings>,
		settings: readonly KindSetting[],
		keep: (read: ReadonlyMap<number, Readings>) => void
	) {
		this.#of = of;
		this.known = known;
		this.#settings = settings;
		this.#keep = keep;
		this.#had = this.#lastAt = known.size;
	}

	/** Sets the kinds of finding to look for from now on, and their limits. */
	set settings(settings: readonly KindSetting[]) {
		this.#settings = settings;
	}

	readonly #shift = (key: string): number | undefined => shiftOf(key, this.#settings);

	report(): SweepReport {
		const { known } = this;
		const { stretch, cuts } = this.#of;
		const found = foundIn(known, cuts, this.#shift);
		const now = found.map(({ key, widths }) => `${key} ${printIntervalSet(widths)}`).join();
		if (now !== this.#last) [this.#last, this.#lastAt] = [now, known.size];
		const covered = coverage(known, stretch);
		const each = (performance.now() - this.#begun) / (known.size - this.#had);
		return {
			...covered,
			found,
			unmeasured: unmeasured(known, stretch),
			phase: this.#phase,
			sinceNew: known.size - this.#lastAt,
			left: known.size > this.#had ? each * (covered.of - covered.measured) : null,
			given: [...this.#given]
		};
	}

	/**
	 * Measures until every px is known, or only until every end is exact where the rest has to wait; reports progress.
	 *
	 * @throws {Error} where the stages measure nothing, or report what no stage of ours does
	 */
	async run(isPaused: boolean, signal: AbortSignal, report: (report: SweepReport) => unknown): Promise<void> {
		const { known } = this;
		const { stretch, cuts } = this.#of;
		const given = this.#given;
		/** Widths not to be measured: known ones, and those given up. */
		const settled = { has: (width: number): boolean => known.has(width) || given.has(width) };
		const left = (widths: readonly number[]): number[] => widths.filter((width) => !given.has(width));
		await inRounds({
			first: firstWidths(stretch, cuts, GRID).filter((width) => !known.has(width)),
			next: () => left(nextWidths(known, this.#shift)),
			remaining: () => {
				const widths = remainingWidths(settled, stretch, PORTION);
				return widths.length > 0 ? widths : left(halfWidths(known, cuts, this.#shift)).slice(0, PORTION);
			},
			measure: (widths, priority) => this.#measure(widths, priority, signal, report),
			onphase: (phase) => (this.#phase = phase),
			isPaused: () => isPaused,
			signal
		});
		if (!signal.aborted) await report(this.report());
	}

	async #measure(
		widths: readonly number[],
		priority: number,
		signal: AbortSignal,
		report: (report: SweepReport) => unknown
	): Promise<void> {
		const { layout, content, viewport } = this.#of;
		const given = this.#given;
		const read = new Map<number, Readings>();
		let reportedAt = performance.now();
		const onhung = (width: number): void => void given.add(width);
		const job = { content, viewport, widths, priority, signal, onhung };
		try {
			for await (const { width, readings } of layout.read(job)) {
				const checked = READINGS.parse(readings);
				read.set(width, checked);
				this.known.set(width, checked);
				if (performance.now() - reportedAt < GATHER[priority < 0 ? 'whole' : 'quick']) continue;
				reportedAt = performance.now();
				if (!signal.aborted) await report(this.report());
			}
		} finally {
			this.#keep(read);
		}
		if (signal.aborted) return;
		await report(this.report());
		if (read.size === 0 && !widths.some((width) => given.has(width)))
			throw new Error('The stage measured nothing.');
	}
}
