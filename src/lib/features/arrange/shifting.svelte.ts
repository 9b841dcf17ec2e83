import { sliceOf, walk } from '$lib/core/css/index.ts';
import {
	add,
	ONE,
	printRational,
	rationalFromNumber,
	toNumber,
	type Rational
} from '$lib/core/interval/index.ts';
import { breakpointOf, moveBreakpoint, type Threshold } from '$lib/core/media/index.ts';
import { sourcesOf, type Sources } from '$lib/core/site/index.ts';
import type { Edit } from '$lib/core/text/index.ts';
import { EM } from '$lib/core/vantage/index.ts';
import { deskOf, linesOf, type FileLines } from '$lib/session/desk.ts';
import { ownQueries, writeQueries } from '$lib/writing/queries.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { tryEdit } from '$lib/session/trying.ts';
import { partAt } from '$lib/writing/declaration.ts';

/** The distance within which a threshold of ours snaps to a given one, px. */
const SNAP = 4;

/**
 * A threshold being moved to another width, in all sheets and pages that are not given; tried until it is written.
 */
export class Shifting {
	readonly #site: SiteState;
	/** The site's texts, each parsed once. */
	readonly sources: Sources;
	/** The threshold being moved; null for none. */
	from = $state.raw<Rational | null>(null);
	to = $state.raw<Rational | null>(null);
	#edit = $state.raw<Edit | null>(null);
	/** Where it snaps to: thresholds by their width, with the given file that contains each ('' for ours). */
	#near: ReadonlyMap<number, string> = new Map();
	/** The one place that is moved: one block's list of queries; null for all of them. */
	#only: { readonly path: string; readonly start: number } | null = null;

	constructor(site: SiteState) {
		this.#site = site;
		this.sources = sourcesOf((path) => site.texts.get(path)?.text, site.parsers);
	}

	/** Grabs a threshold; of two halves (599 and 600) the one from which the wider side holds. */
	begin(threshold: Threshold, all: readonly Threshold[]): void {
		this.drop();
		this.from = breakpointOf(threshold, all);
		this.to = this.from;
		this.#near = new Map([...this.#all(all)].filter(([, host]) => host !== ''));
	}

	/** Grabs the threshold of one block of a file only: the innermost around an offset. */
	beginBlock(path: string, offset: number, from: Rational, all: readonly Threshold[]): void {
		this.drop();
		const desk = deskOf(this.#site);
		const part = partAt(desk, path, offset);
		if (!part || desk.isGiven(path)) return;
		for (const node of walk(part.sheet)) {
			if (node.kind !== 'at-rule' || node.name !== 'media') continue;
			const { prelude, span } = node;
			if (span.start > offset - part.from || span.end < offset - part.from) continue;
			const [changes = []] = moveBreakpoint([sliceOf(part.sheet.source, prelude)], from, add(from, ONE), EM);
			if (changes.length > 0) this.#only = { path, start: part.from + prelude.start };
		}
		if (!this.#only) return;
		this.from = from;
		this.to = from;
		this.#near = this.#all(all);
	}

	/** All thresholds, with the given file that contains each. */
	#all(all: readonly Threshold[]): Map<number, string> {
		const { given } = this.#site;
		return new Map(
			all.map((one) => {
				const host = one.causes.find(({ file }) => given.has(file));
				return [toNumber(host ? one.cut.at : breakpointOf(one, all)), host?.file ?? ''] as const;
			})
		);
	}

	/** Moves it to a width, CSS px; near a given threshold (for one block: near any) it snaps to that. */
	put(px: number, snaps = true): void {
		if (!this.from || !Number.isFinite(px) || px <= 0) return;
		const near = snaps ? [...this.#near.keys()].find((at) => Math.abs(at - px) <= SNAP) : undefined;
		this.to = rationalFromNumber(near ?? px);
		this.#edit = this.#editFor(this.from, this.to);
		tryEdit(this.#site.texts, this.#edit);
	}

	#editFor(from: Rational, to: Rational): Edit {
		const desk = deskOf(this.#site);
		const only = this.#only;
		const places = ownQueries(this.#site.texts, this.sources, desk).filter(
			({ path, span }) => !only || (path === only.path && span.start === only.start)
		);
		const queries = places.map(({ text }) => text);
		writeQueries(desk, places, moveBreakpoint(queries, from, to, EM));
		return desk.working.edit(`the threshold ${printRational(from)} goes to ${printRational(to)}`);
	}

	/** The number of places moved, and the lines that change, by file. */
	readonly places: number = $derived.by(() =>
		(this.#edit?.files ?? []).reduce((sum, { changes }) => sum + changes.length, 0)
	);
	readonly lines: readonly FileLines[] = $derived.by(() => linesOf(this.#site, this.#edit));

	/** The given file at whose threshold it is now; '' for none. */
	readonly meets: string = $derived.by(() => (this.to ? (this.#near.get(toNumber(this.to)) ?? '') : ''));
	/** Whether only one block is moved. */
	get isBlock(): boolean {
		return this.from !== null && this.#only !== null;
	}
	/** The given file that also contains the threshold, which therefore stays; '' for none. */
	readonly fixed: string = $derived.by(() => (this.from ? (this.#near.get(toNumber(this.from)) ?? '') : ''));

	/** Writes the change, as one step. */
	keep(): void {
		const edit = this.#edit;
		this.drop();
		if (edit) this.#site.history.make(edit);
	}

	/** Discards the change. */
	drop(): void {
		this.from = null;
		this.to = null;
		this.#only = null;
		this.#edit = null;
		tryEdit(this.#site.texts, null);
	}
}
