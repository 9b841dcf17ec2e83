import { untrack } from 'svelte';
import { store } from '$lib/session/store.ts';
import { messageOf } from '$lib/core/text/index.ts';
import type { KindSetting } from '$lib/core/findings/settings.ts';
import { NOTHING, union, type IntervalSet } from '$lib/core/interval/index.ts';
import { sidesOf, widthsAround, type WidthRange } from '$lib/core/sweep/index.ts';
import {
	PLAIN,
	seenVantage,
	NO_SWITCHES,
	type SeenVantage,
	type Switches,
	type Vantage
} from '$lib/core/vantage/index.ts';
import { findingRows, type FindingRow, type Order } from '$lib/inquiry/findings.ts';
import type { Phase } from '$lib/inquiry/rounds.ts';
import type { SweepReport } from '$lib/inquiry/sweep.ts';
import * as z from 'zod/mini';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';

/** The vantage of a sweep, and the widths. */
export const sweptAs = (lead: SeenVantage): { readonly as: SeenVantage; readonly stretch: WidthRange } => ({
	as: { ...lead, width: WIDTH },
	stretch: STRETCH
});

/** What is swept: a page in a vantage at all its widths. */
export interface Swept {
	readonly page: PageState;
	readonly stages: Stages;
	readonly lead: SeenVantage;
	/** What determines the lead: its window, and the switches for all frames. */
	readonly made: { readonly window: Vantage; readonly switches: Switches };
}

/** The width of a vantage while its page is swept, CSS px. */
const WIDTH = 1280;

const PLAIN_AT = seenVantage(PLAIN, NO_SWITCHES);

/** The default widths of a sweep, CSS px. */
export const STRETCH: WidthRange = { from: 240, to: 2560 };
/** The greatest width of a sweep, CSS px; and where widths other than the default are stored. */
const WIDEST = 8000;
const WIDTHS_KEPT = 'vantaggio-swept-widths';
const KEPT_STRETCH = z.object({ from: z.int().check(z.minimum(1)), to: z.int().check(z.maximum(WIDEST)) });

/** The last widths set in this browser; the default ones where none were set. */
function keptStretch(): WidthRange {
	try {
		return KEPT_STRETCH.parse(JSON.parse(store.get(WIDTHS_KEPT) ?? ''));
	} catch {
		return STRETCH;
	}
}

/** A duration in words, as precise as it is known. */
function inWords(ms: number): string {
	const seconds = Math.ceil(ms / 1000);
	if (seconds < 100) return `about ${seconds} s`;
	return `about ${Math.ceil(seconds / 60)} min`;
}

/** At most so many gaps between px are examined for what is visible there. */
const MOST_LOOKED_AT = 24;

/** The state before a sweep begins. */
const NOTHING_YET: SweepReport = {
	found: [],
	measured: 0,
	of: 0,
	unseen: 0,
	unmeasured: [],
	phase: 'quick',
	sinceNew: 0,
	left: null,
	given: []
};

/** What is wrong with a page, width by width: measured on invisible stages, quickly first, then at every px. */
export class Sweeping {
	/** The progress. */
	#report = $state.raw<SweepReport>(NOTHING_YET);
	paused = $state(false);
	/** Whether measuring is stopped altogether. */
	stopped = $state(false);
	/** The widths that are swept, CSS px. */
	#stretch = $state.raw<WidthRange>(keptStretch());

	get stretch(): WidthRange {
		return this.#stretch;
	}

	/** Sweeps other widths from now on: whole px, the first less than the last, within the limits of a sweep. */
	set stretch({ from, to }: WidthRange) {
		const [a, b] = [from, to].map((px) => Math.min(WIDEST, Math.max(1, Math.round(px))));
		if (a === undefined || b === undefined || !(a < b)) return;
		this.#stretch = { from: a, to: b };
		store.set(WIDTHS_KEPT, JSON.stringify(this.#stretch));
	}

	/** The vantage in which the page is swept; null for the lead's. */
	vantage = $state<string | null>(null);
	/** The key of the selected finding; '' for none. */
	chosen = $state('');
	/** Why measuring ended early; '' where it did not. */
	trouble = $state('');
	/** The order of findings in the list. */
	order = $state<Order>('severity');
	/** What is swept, and in which vantage. */
	swept = $state.raw<Swept | null>(null);
	as = $state.raw<SeenVantage>(PLAIN_AT);
	/** Gaps between the px of a page in which something visible differs from both sides, by their keys. */
	#seen = $state.raw<{ readonly path: string; readonly keys: ReadonlySet<string> }>({
		path: '',
		keys: new Set()
	});
	readonly #site: SiteState;

	/** The listed findings, without those accepted everywhere. */
	readonly rows: readonly FindingRow[] = $derived.by(() => {
		const { swept } = this;
		if (!swept) return [];
		const { finding, accepted } = this.#site.kept;
		const { page } = swept;
		const seen = this.#seen.path === page.path ? this.#seen.keys : new Set<string>();
		return findingRows(page, this.#report.found, this.as, finding.list, accepted.list, seen);
	});
	/** The widths of the selected finding, or of all. */
	readonly widths: IntervalSet = $derived.by(() => {
		const chosen = this.rows.filter(({ key }) => key === this.chosen);
		return (chosen.length > 0 ? chosen : this.rows).reduce((set, { widths }) => union(set, widths), NOTHING);
	});
	/** The whole px on both sides of each end of the selected finding, ascending. */
	readonly edges: readonly number[] = $derived.by(() => {
		const chosen = this.rows.find(({ key }) => key === this.chosen);
		return chosen ? [...new Set(chosen.widths.cuts.flatMap(sidesOf))].sort((a, b) => a - b) : [];
	});

	constructor(site: SiteState) {
		this.#site = site;
	}

	/** How many of the widths are measured, and the longest unmeasured run. */
	get coverage(): Pick<SweepReport, 'measured' | 'of' | 'unseen'> {
		return this.#report;
	}
	/** The runs of unmeasured widths. */
	get unmeasured(): readonly WidthRange[] {
		return this.#report.unmeasured;
	}
	get phase(): Phase {
		return this.#report.phase;
	}
	/** How many widths have been measured since something new was found, or an end moved. */
	get sinceNew(): number {
		return this.#report.sinceNew;
	}
	/** Widths at which the page hangs, which were given up. */
	get given(): readonly number[] {
		return this.#report.given;
	}
	/** How long the rest takes at the present pace, in words; '' where that is unknown. */
	get left(): string {
		return this.#report.left === null ? '' : inWords(this.#report.left);
	}

	/**
	 * Sweeps a page, until it is done or the signal ends it; known widths of the same texts are not measured again.
	 */
	async sweep(swept: Swept, signal: AbortSignal): Promise<void> {
		const { page, stages, lead } = swept;
		const { as } = sweptAs(lead);
		const how = { stretch: this.stretch, settings: this.#site.kept.finding.list, isPaused: this.paused };
		let looking: Promise<void> | undefined;
		try {
			await stages.measurer.sweep({ path: page.path, texts: page.texts, as }, how, signal, (report) => {
				if (signal.aborted) return;
				this.swept = swept;
				this.as = as;
				this.trouble = '';
				this.#report = report;
				looking ??= this.#look(swept, signal);
			});
			await looking;
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		}
	}

	/** Finds out in which gaps between the px something visible differs from both sides. */
	async #look({ page, stages }: Swept, signal: AbortSignal): Promise<void> {
		const keys = new Set<string>();
		const asked = { path: page.path, texts: page.texts, as: this.as };
		const stretches = untrack(() => this.rows).filter(({ closes }) => closes !== undefined);
		for (const { key, closes } of stretches.slice(0, MOST_LOOKED_AT)) {
			const widths = closes && widthsAround(closes.interval);
			if (!widths || signal.aborted) continue;
			const unlike = await stages.measurer.unlike(asked, widths, signal);
			if (unlike && unlike.count > 0) keys.add(key);
		}
		if (!signal.aborted) this.#seen = { path: page.path, keys };
	}

	/** Applies other settings of kinds of finding from now on, without making the caller depend on them. */
	setKinds(settings: readonly KindSetting[]): void {
		untrack(() => this.swept)
			?.stages.measurer.setKinds(settings)
			.catch((error: unknown) => {
				this.trouble = messageOf(error);
			});
	}
}
