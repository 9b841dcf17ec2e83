import {
	add,
	compare,
	ONE,
	printRational,
	rationalFromNumber,
	toNumber,
	type Rational
} from '../core/interval/index.ts';
import { moveBreakpoint, type Threshold } from '../core/media/index.ts';
import { sourcesOf, type Sources } from '../core/site/index.ts';
import type { Edit } from '../core/text/index.ts';
import { deskOf, linesOf, type FileLines } from './desk.ts';
import { EM } from './condition.ts';
import { ownQueries, writeQueries } from './queries.ts';
import type { SiteState } from './site.svelte.ts';
import { applyEdit } from './steps.ts';
import { tryEdit } from './trying.ts';

/** How near a given threshold draws one of ours to it, px. */
const SNAP = 4;

/** A threshold on its way to another width, in all sheets and pages of ours at once; tried until it is written. */
export class Shifting {
	readonly #site: SiteState;
	/** The site's texts, each parsed once. */
	readonly sources: Sources;
	/** The threshold that is moved; null while none is. */
	from = $state.raw<Rational | null>(null);
	to = $state.raw<Rational | null>(null);
	#edit = $state.raw<Edit | null>(null);
	/** Thresholds of given files with their places. */
	#fixed: ReadonlyMap<number, string> = new Map();

	constructor(site: SiteState) {
		this.#site = site;
		this.sources = sourcesOf((path) => site.texts.get(path)?.text);
	}

	/** Takes a threshold in the hand; of two halves (599 and 600) the one from which on the wider side holds. */
	begin({ cut }: Threshold, all: readonly Threshold[]): void {
		this.drop();
		const half = all.find(
			(one) => !one.cut.after && compare(one.cut.at, cut.at) > 0 && compare(one.cut.at, add(cut.at, ONE)) <= 0
		);
		this.from = cut.after && half ? half.cut.at : cut.at;
		this.to = this.from;
		const { given } = this.#site;
		this.#fixed = new Map(
			all.flatMap(({ cut, causes }) => {
				const host = causes.find(({ file }) => given.has(file));
				return host ? [[toNumber(cut.at), host.file] as const] : [];
			})
		);
	}

	/** Brings it to a width, CSS px; near a given threshold to that. */
	put(px: number, snaps = true): void {
		if (!this.from || !Number.isFinite(px) || px <= 0) return;
		const near = snaps ? [...this.#fixed.keys()].find((at) => Math.abs(at - px) <= SNAP) : undefined;
		this.to = rationalFromNumber(near ?? px);
		this.#edit = this.#editFor(this.from, this.to);
		tryEdit(this.#site.texts, this.#edit);
	}

	#editFor(from: Rational, to: Rational): Edit {
		const desk = deskOf(this.#site);
		const places = ownQueries(this.#site, this.sources, desk);
		const queries = places.map(({ text }) => text);
		writeQueries(desk, places, moveBreakpoint(queries, from, to, EM));
		return desk.working.edit(`the threshold ${printRational(from)} goes to ${printRational(to)}`);
	}

	/** How many places are moved, and the lines that change, by file. */
	readonly places: number = $derived.by(() =>
		(this.#edit?.files ?? []).reduce((sum, { changes }) => sum + changes.length, 0)
	);
	readonly lines: readonly FileLines[] = $derived.by(() => linesOf(this.#site, this.#edit));

	/** The given file at whose threshold it stands now; '' where it stands at none. */
	readonly meets: string = $derived.by(() => (this.to ? (this.#fixed.get(toNumber(this.to)) ?? '') : ''));
	/** The given file that has the threshold itself, so that this place stays; '' where none has. */
	readonly fixed: string = $derived.by(() => (this.from ? (this.#fixed.get(toNumber(this.from)) ?? '') : ''));

	/** Writes it, as one step. */
	keep(): void {
		const edit = this.#edit;
		this.drop();
		if (edit) applyEdit(this.#site.texts, edit);
	}

	/** Lets it go: all is as before. */
	drop(): void {
		this.from = null;
		this.to = null;
		this.#edit = null;
		tryEdit(this.#site.texts, null);
	}
}
