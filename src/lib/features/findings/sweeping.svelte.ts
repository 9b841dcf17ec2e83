import { store } from '$lib/session/store.ts';
import { messageOf } from '$lib/core/text/index.ts';
import { shiftOf } from '$lib/core/findings/settings.ts';
import {
	contains,
	NOTHING,
	printIntervalSet,
	rationalFromNumber,
	union,
	type IntervalSet
} from '$lib/core/interval/index.ts';
import type { Bands } from '$lib/core/media/index.ts';
import {
	coverage,
	halfWidths,
	unmeasured,
	firstWidths,
	foundIn,
	nextWidths,
	remainingWidths,
	sidesOf,
	type Found,
	type Known,
	type Readings,
	type Stretch
} from '$lib/core/sweep/index.ts';
import { PLAIN, seenVantage, NO_SWITCHES, type SeenVantage } from '$lib/core/vantage/index.ts';
import { version } from '$app/environment';
import { findingRows, type FindingRow, type Order } from '$lib/inquiry/findings.ts';
import * as z from 'zod';
import type { SiteState } from '$lib/session/site.svelte.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import { keptReadings, READINGS } from '$lib/session/keptReadings.ts';
import { inRounds, type Phase } from './rounds.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';

/** As what a lead is swept, and over which widths. */
export const sweptAs = (
	lead: SeenVantage,
	plain: boolean
): { readonly as: SeenVantage; readonly stretch: Stretch } => ({
	as: { ...lead, width: WIDTH, height: plain ? HEIGHT : lead.height },
	stretch: STRETCH
});

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

const PLAIN_AT = seenVantage(PLAIN, NO_SWITCHES);

/** The widths that are swept unless others are set, and the grid of a quick sweep, CSS px. */
export const STRETCH: Stretch = { from: 240, to: 2560 };
export const GRID = 64;
/** The widest that is swept, CSS px; and where widths other than the usual are kept. */
const WIDEST = 8000;
const WIDTHS_KEPT = 'vantaggio-swept-widths';
const KEPT_STRETCH = z.object({ from: z.number().int().min(1), to: z.number().int().max(WIDEST) });

/** The widths that were swept last in this browser; the usual ones where none were set. */
function keptStretch(): Stretch {
	try {
		return KEPT_STRETCH.parse(JSON.parse(store.get(WIDTHS_KEPT) ?? ''));
	} catch {
		return STRETCH;
	}
}

/** So many widths are asked for at once in quiet time: what is more urgent waits no longer than for these. */
export const PORTION = 24;
/** How long measurements are gathered before they are shown, quick and whole, ms. */
const GATHER = { quick: 200, whole: 1000 };
/** Pages whose readings are kept, by what their frames are given. */
const KEPT = 3;

/** A time in words, as exactly as it can be told. */
function inWords(ms: number): string {
	const seconds = Math.ceil(ms / 1000);
	if (seconds < 100) return `about ${seconds} s`;
	return `about ${Math.ceil(seconds / 60)} min`;
}

/** What is wrong with a page, width by width: measured on stages that nobody sees, quick first, then every px. */
export class Sweeping {
	known = $state.raw<Known>(new Map());
	phase = $state<Phase>('quick');
	paused = $state(false);
	/** Whether nothing is measured, quick or not. */
	stopped = $state(false);
	/** The widths that are swept, CSS px. */
	#stretch = $state.raw<Stretch>(keptStretch());

	get stretch(): Stretch {
		return this.#stretch;
	}

	/** Sweeps other widths from now on: whole px, the first less than the last, within what a sweep can have. */
	set stretch({ from, to }: Stretch) {
		const [a, b] = [from, to].map((px) => Math.min(WIDEST, Math.max(1, Math.round(px))));
		if (a === undefined || b === undefined || !(a < b)) return;
		this.#stretch = { from: a, to: b };
		store.set(WIDTHS_KEPT, JSON.stringify(this.#stretch));
	}

	/** As which vantage the page is swept; null for as the lead is. */
	vantage = $state<string | null>(null);
	/** The key of the finding that is looked at; '' for none. */
	chosen = $state('');
	/** Widths at which the page hangs: they were given up. */
	given = $state.raw<ReadonlySet<number>>(new Set());
	/** Why measuring ended before its end; '' where it did not. */
	trouble = $state('');
	/** What was swept last, and what is known of it. */
	#last: {
		readonly path: string;
		readonly vantage: string;
		readonly texts: ReadonlyMap<string, string>;
		readonly known: ReadonlyMap<number, Readings>;
	} | null = null;
	/** How findings are ordered in the list. */
	order = $state<Order>('severity');
	/** What is swept, and as what vantage. */
	swept = $state.raw<Swept | null>(null);
	as = $state.raw<SeenVantage>(PLAIN_AT);
	readonly #site: SiteState;
	#cuts = $state.raw<Bands['thresholds']>([]);
	readonly #kept = new Map<string, Map<number, Readings>>();

	readonly found: readonly Found[] = $derived.by(() =>
		foundIn(
			this.known,
			this.#cuts.map(({ cut }) => cut),
			this.#shift
		)
	);
	/** What is found, as it is listed, but for what is accepted everywhere. */
	readonly rows: readonly FindingRow[] = $derived.by(() => {
		const { swept, found } = this;
		if (!swept) return [];
		const { finding, accepted } = this.#site.kept;
		return findingRows(swept.page, found, this.as, finding.list, accepted.list);
	});
	/** The widths of the finding that is looked at, or of all. */
	readonly widths: IntervalSet = $derived.by(() => {
		const chosen = this.rows.filter(({ key }) => key === this.chosen);
		return (chosen.length > 0 ? chosen : this.rows).reduce((set, { widths }) => union(set, widths), NOTHING);
	});
	/** The whole px on both sides of each end of the finding that is looked at, ascending. */
	readonly edges: readonly number[] = $derived.by(() => {
		const chosen = this.rows.find(({ key }) => key === this.chosen);
		return chosen ? [...new Set(chosen.widths.cuts.flatMap(sidesOf))].sort((a, b) => a - b) : [];
	});
	readonly coverage = $derived.by(() => coverage(this.known, this.stretch));
	/** The runs of widths that are not measured. */
	readonly unmeasured = $derived.by(() => unmeasured(this.known, this.stretch));

	/** How many widths have been measured since anything new was found, or an end was moved. */
	sinceNew = $state(0);
	/** How long what is left takes, as far as it went so far, in words; '' where that is not known. */
	left = $state('');

	/** How far distances are moved by what the site sets, by key. */
	readonly #shift = $derived.by(() => {
		const { list } = this.#site.kept.finding;
		return (key: string): number | undefined => shiftOf(key, list);
	});

	constructor(site: SiteState) {
		this.#site = site;
	}

	/** Sweeps a page, until it is done or the signal ends it; what is known of the same texts is not measured again. */
	async sweep(swept: Swept, signal: AbortSignal): Promise<void> {
		try {
			await this.#sweep(swept, signal);
		} catch (error) {
			if (!signal.aborted) this.trouble = messageOf(error);
		}
	}

	async #sweep(swept: Swept, signal: AbortSignal): Promise<void> {
		const { page, stages, lead, plain } = swept;
		const { as } = sweptAs(lead, plain);
		const { height, density } = as;
		const bands = page.bands(as);
		const content = page.content(stages.prefix, as);
		const of = JSON.stringify([version, content, height, density]);
		const known = this.#readings(of);
		const kept = await keptReadings(of);
		if (known.size === 0) for (const [width, readings] of await kept.known()) known.set(width, readings);
		if (signal.aborted) return;
		await this.#takeOver(swept, known);
		if (signal.aborted) return;
		this.#cuts = bands.thresholds;
		this.swept = swept;
		this.as = as;
		this.known = new Map(known);
		this.trouble = '';
		const { stretch } = this;
		const given = new Set<number>();
		/** What is not to be measured: what is known, and what was given up. */
		const settled = { has: (width: number): boolean => known.has(width) || given.has(width) };
		this.given = given;
		const shift = this.#shift;
		const cuts = bands.thresholds.map(({ cut }) => cut);
		let shown = performance.now();
		const [begun, had] = [shown, known.size];
		/** What was found last, and how many widths were measured then. */
		let [told, toldAt] = ['', known.size];
		const show = (): void => {
			shown = performance.now();
			if (signal.aborted) return;
			this.known = new Map(known);
			const news = this.found.map(({ key, widths }) => `${key} ${printIntervalSet(widths)}`).join();
			if (news !== told) [told, toldAt] = [news, known.size];
			this.sinceNew = known.size - toldAt;
			const each = (shown - begun) / (known.size - had);
			const { measured, of } = this.coverage;
			this.left = known.size > had ? inWords(each * (of - measured)) : '';
		};
		const measure = async (widths: readonly number[], priority: number): Promise<void> => {
			const read = new Map<number, Readings>();
			const viewport = { width: WIDTH, height, density };
			const onhung = (width: number): void => void given.add(width);
			const job = { content, viewport, widths, priority, signal, onhung };
			try {
				for await (const { width, readings } of stages.read(job)) {
					const checked = READINGS.parse(readings);
					read.set(width, checked);
					known.set(width, checked);
					if (performance.now() - shown > GATHER[priority < 0 ? 'whole' : 'quick']) show();
				}
			} finally {
				void kept.keep(read);
			}
			show();
			if (widths.some((width) => given.has(width))) this.given = new Set(given);
			if (read.size === 0 && !signal.aborted && !widths.some((width) => given.has(width)))
				throw new Error('The stage measured nothing.');
		};
		await inRounds({
			first: firstWidths(stretch, cuts, GRID).filter((width) => !known.has(width)),
			next: () => nextWidths(known, shift).filter((width) => !given.has(width)),
			remaining: () => {
				const widths = remainingWidths(settled, stretch, PORTION);
				const halves = (): number[] => halfWidths(known, cuts, shift).filter((width) => !given.has(width));
				return widths.length > 0 ? widths : halves().slice(0, PORTION);
			},
			measure,
			onphase: (phase) => (this.phase = phase),
			isPaused: () => this.paused,
			signal
		});
	}

	/** Takes over what is known of the texts before at widths that no edit since can reach: nothing changed there. */
	async #takeOver({ page, lead, plain }: Swept, known: Map<number, Readings>): Promise<void> {
		const { path } = page;
		const after = new Map([...this.#site.texts].map(([file, { inForce }]) => [file, inForce]));
		after.set(path, page.source);
		const { as } = sweptAs(lead, plain);
		const vantage = JSON.stringify({ ...as, name: '' });
		const last = this.#last;
		this.#last = { path, vantage, texts: after, known };
		if (last?.path !== path || last.vantage !== vantage || last.known === known) return;
		const before = last.texts;
		const files = [...after].flatMap(([file, text]) => (before.get(file) === text ? [] : [file]));
		const { reach } = await this.#site.comparer.edit({ path, before, after, files }, as);
		for (const [width, readings] of last.known)
			if (!known.has(width) && !contains(reach, rationalFromNumber(width))) known.set(width, readings);
	}

	#readings(key: string): Map<number, Readings> {
		const known = this.#kept.get(key) ?? new Map<number, Readings>();
		this.#kept.delete(key);
		this.#kept.set(key, known);
		if (this.#kept.size > KEPT) this.#kept.delete(this.#kept.keys().next().value as string);
		return known;
	}
}
