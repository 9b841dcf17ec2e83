import {
	bandsOf,
	differing,
	solverOf,
	type Bands,
	type MediaSite,
	type Solver
} from '../core/media/index.ts';
import { inertSource } from '../core/html/index.ts';
import { sliceOf } from '../core/css/index.ts';
import {
	addressOf,
	conditionsOfPage,
	flattenSheet,
	sheetsOfPage,
	sourcesOf,
	type PageConditions,
	type SheetUse,
	type Sources
} from '../core/site/index.ts';
import type { Vantage } from '../core/vantage.ts';
import type { SheetText } from '../stage/protocol.ts';
import type { SiteState } from './site.svelte.ts';

/** One page of the site as its sources say it is; follows every keystroke. */
export class PageState {
	readonly path: string;
	readonly #site: SiteState;
	readonly #solvers = new Map<string, Solver>();
	readonly #flat = new Map<string, { text: string; flat: string }>();
	readonly sources: Sources = sourcesOf((file) => this.#site.texts.get(file)?.text);
	readonly source = $derived.by(() => this.#site.texts.get(this.path)?.text ?? '');
	readonly #page = $derived(this.sources.page(this.source));
	readonly sheets: readonly SheetUse[] = $derived.by(() => sheetsOfPage(this.#page, this.path));
	readonly conditions: PageConditions = $derived.by(() =>
		conditionsOfPage(this.#page, this.path, this.sources)
	);
	/** What a frame is given to write; changes only with the page's own text. */
	readonly inert: string = $derived(inertSource(this.#page));

	constructor(site: SiteState, path: string) {
		this.#site = site;
		this.path = path;
	}

	bands(vantage: Vantage): Bands {
		return bandsOf(this.conditions.media, this.#solver(vantage));
	}

	/** The conditions that make one vantage's bands differ from another's. */
	differing(a: Vantage, b: Vantage): MediaSite[] {
		return differing(this.conditions.media, this.#solver(a), this.#solver(b));
	}

	/** What is solved does not depend on the vantage's width. */
	#solver(vantage: Vantage): Solver {
		const key = JSON.stringify({ ...vantage, name: '', width: 0 });
		let solver = this.#solvers.get(key);
		if (!solver) this.#solvers.set(key, (solver = solverOf(vantage)));
		if (this.#solvers.size > 50) this.#solvers.delete(this.#solvers.keys().next().value as string);
		return solver;
	}

	/** The page's address on a stage. */
	address(prefix: string): string {
		return addressOf(this.path, prefix);
	}

	/** The texts of the page's sheets as its frames carry them, under a stage's prefix. */
	sheetTexts(prefix: string): SheetText[] {
		return this.sheets.flatMap(({ element, from }): SheetText[] => {
			if (from.kind === 'outside') return [];
			const file = from.kind === 'file' ? from.path : this.path;
			const text = from.kind === 'file' ? this.sources.text(file) : sliceOf(this.source, from.span);
			return text === undefined ? [] : [{ element, text: this.#flatten(text, file, prefix) }];
		});
	}

	/** A sheet that imports nothing is flattened again only when its own text has changed. */
	#flatten(text: string, file: string, prefix: string): string {
		const key = `${prefix}${file}`;
		const known = this.#flat.get(key);
		if (known?.text === text && !/@import/i.test(text)) return known.flat;
		const flat = flattenSheet(text, file, this.sources, prefix);
		this.#flat.set(key, { text, flat });
		return flat;
	}
}
