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

/** As what a lead is swept, and over which widths. */
export const sweptAs = (lead: SeenVantage): { readonly as: SeenVantage; readonly stretch: WidthRange } => ({
	as: { ...lead, width: WIDTH },
	stretch: STRETCH
});

/** What is swept: a page as a vantage at all its widths. */
export interface Swept {
	readonly page: PageState;
	readonly stages: Stages;
	readonly lead: SeenVantage;
	/** What the lead is made of: its window, and what is switched for all frames. */
	readonly made: { readonly window: Vantage; readonly switches: Switches };
}

/** The width that a vantage has while its page is swept, CSS px. */
const WIDTH = 1280;

const PLAIN_AT = seenVantage(PLAIN, NO_SWITCHES);

/** The widths that are swept unless others are set, CSS px. */
export const STRETCH: WidthRange = { from: 240, to: 2560 };
/** The widest that is swept, CSS px; and where widths other than the usual are kept. */
const WIDEST = 8000;
const WIDTHS_KEPT = 'vantaggio-swept-widths';
const KEPT_STRETCH = z.object({ from: z.int().check(z.minimum(1)), to: z.int().check(z.maximum(WIDEST)) });

/** The widths that were swept last in this browser; the usual ones where none were set. */
function keptStretch(): WidthRange {
	try {
		return KEPT_STRETCH.parse(JSON.parse(store.get(WIDTHS_KEPT) ?? ''));
	} catch {
		return STRETCH;
	}
}

/** A time in words, as exactly as it can be told. */
function inWords(ms: number): string {
	const seconds = Math.ceil(ms / 1000);
	if (seconds < 100) return `about ${seconds} s`;
	return `about ${Math.ceil(seconds / 60)} min`;
}

/** In so many stretches between the px it is looked what is seen there. */
const MOST_LOOKED_AT = 24;

/** What a sweep has come to before it has begun. */
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

/** What is wrong with a page, width by width: measured on stages that nobody sees, quick first, then every px. */
export class Sweeping {
	/** What it has come to. */
	#report = $state.raw<SweepReport>(NOTHING_YET);
	paused = $state(false);
	/** Whether nothing is measured, quick or not. */
	stopped = $state(false);
	/** The widths that are swept, CSS px. */
	#stretch = $state.raw<WidthRange>(keptStretch());

	get stretch(): WidthRange {
		return this.#stretch;
	}

	/** Sweeps other widths from now on: whole px, the first less than the last, within what a sweep can have. */
	set stretch({ from, to }: WidthRange) {
		const [a, b] = [from, to].map((px) => Math.min(WIDEST, Math.max(1, Math.round(px))));
		if (a === undefined || b === undefined || !(a < b)) return;
		this.#stretch = { from: a, to: b };
		store.set(WIDTHS_KEPT, JSON.stringify(this.#stretch));
	}

	/** As which vantage the page is swept; null for as the lead is. */
	vantage = $state<string | null>(null);
	/** The key of the selected finding; '' for none. */
	chosen = $state('');
	/** Why measuring ended before its end; '' where it did not. */
	trouble = $state('');
	/** How findings are ordered in the list. */
	order = $state<Order>('severity');
	/** What is swept, and as what vantage. */
	swept = $state.raw<Swept | null>(null);
	as = $state.raw<SeenVantage>(PLAIN_AT);
	/** Stretches between the px of a page in which something is seen that is otherwise on both sides, by their keys. */
	#seen = $state.raw<{ readonly path: string; readonly keys: ReadonlySet<string> }>({
		path: '',
		keys: new Set()
	});
	readonly #site: SiteState;

	/** What is found, as it is listed, but for what is accepted everywhere. */
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

	/** How much is measured, of how many widths, and the longest run that is not. */
	get coverage(): Pick<SweepReport, 'measured' | 'of' | 'unseen'> {
		return this.#report;
	}
	/** The runs of widths that are not measured. */
	get unmeasured(): readonly WidthRange[] {
		return this.#report.unmeasured;
	}
	get phase(): Phase {
		return this.#report.phase;
	}
	/** How many widths have been measured since anything new was found, or an end was moved. */
	get sinceNew(): number {
		return this.#report.sinceNew;
	}
	/** Widths at which the page hangs: they were given up. */
	get given(): readonly number[] {
		return this.#report.given;
	}
	/** How long what is left takes, as far as it went so far, in words; '' where that is not known. */
	get left(): string {
		return this.#report.left === null ? '' : inWords(this.#report.left);
	}

	/** Sweeps a page, until it is done or the signal ends it; what is known of the same texts is not measured again. */
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

	/** Finds out in which stretches between the px something is seen: what is otherwise than on both sides. */
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

	/** Goes by other settings of kinds of finding from now on; whoever calls this follows nothing by it. */
	setKinds(settings: readonly KindSetting[]): void {
		untrack(() => this.swept)
			?.stages.measurer.setKinds(settings)
			.catch((error: unknown) => {
				this.trouble = messageOf(error);
			});
	}
}
