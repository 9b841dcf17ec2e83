import type { Errand } from '../core/errand/index.ts';
import type { IntervalSet } from '../core/interval/index.ts';
import { bandsOf, differing, type Bands, type MediaQuery, type MediaSite } from '../core/media/index.ts';
import { type Page } from '../core/html/index.ts';
import type { Steps } from '../core/steps/index.ts';
import { offsetAfter, offsetBefore } from '../core/text/index.ts';
import { contentAhead, frameContents, solvers } from '../core/page/index.ts';
import type { InquiredPage } from '../inquiry/page.ts';
import {
	conditionsOfPage,
	readPageAhead,
	sheetsOfPage,
	sourcesOf,
	type PageConditions,
	type SheetUse,
	type Sources,
	type PageNames,
	type UsedValue
} from '../core/site/index.ts';
import type { SeenVantage, Vantage } from '../core/vantage/index.ts';
import type { StagedChange } from '../core/staged/index.ts';
import type { PageContent } from '../stage/protocol.ts';
import type { PageAnswers } from './answers.ts';
import type { FileForce } from '../workers/reading.ts';
import type { Texts } from '../workers/texts.ts';
import { errandsDone } from './errands.ts';
import { placeInWords, shownPlace, type ShownPlace } from './placeInWords.ts';
import { reader } from './reader.ts';
import type { SiteState } from './site.svelte.ts';

const NOTHING_STAGED: readonly StagedChange[] = [];

/** One page of the site according to its sources; follows every keystroke. */
export class PageState implements InquiredPage {
	readonly path: string;
	readonly #site: SiteState;
	readonly #solver = solvers();
	readonly #frameContent: ReturnType<typeof frameContents>;
	readonly #text: (path: string) => string | undefined;
	readonly #errands: () => readonly Errand[];
	/** The page with its errands applied, if its markup is given, and their changes. */
	readonly #given = $derived.by(() =>
		errandsDone(this.#site, this.path, this.#text(this.path) ?? '', this.#errands())
	);
	/** The page's text, with its errands applied. */
	readonly source = $derived.by(() => this.#given.text);
	readonly sources: Sources;
	readonly page: Page = $derived.by(() => this.sources.page(this.source));
	readonly sheets: readonly SheetUse[] = $derived.by(() => sheetsOfPage(this.page, this.path));
	readonly conditions: PageConditions = $derived.by(() =>
		conditionsOfPage(this.page, this.path, this.sources)
	);

	/** By default with the unsaved texts, without what is muted, and all errands; or with others. */
	constructor(
		site: SiteState,
		path: string,
		text: (path: string) => string | undefined = (file) => site.texts.get(file)?.inForce,
		errands: () => readonly Errand[] = () => site.kept.errand.list
	) {
		this.#site = site;
		this.#text = text;
		this.#errands = errands;
		this.path = path;
		this.sources = sourcesOf((file) => (file === path ? this.source : text(file)), site.parsers);
		this.#frameContent = frameContents(site.parsers);
	}

	/** The texts of the site as this page uses them. */
	get texts(): Texts {
		const texts = [...this.#site.texts.keys()].map((file) => [file, this.#text(file) ?? ''] as const);
		return new Map([...texts, [this.path, this.source]]);
	}

	/** Reads the page and its sheets in steps, so that they are cached when needed. */
	readAhead(): Steps<void> {
		return readPageAhead(this.#site.parsers, this.path, this.source, this.#text);
	}

	/** What can be asked of the page while it is in the frames. */
	get answers(): PageAnswers {
		return this.#site.answers;
	}

	bands(vantage: Vantage): Bands {
		return bandsOf(this.conditions.media, this.#solver(vantage));
	}

	/** Whether a file is the page or one of its sheets, including imported ones. */
	has(file: string): boolean {
		return file === this.path || this.conditions.places.some((place) => place.file === file);
	}

	/** The conditions that make one vantage's bands differ from another's. */
	differing(a: Vantage, b: Vantage): MediaSite[] {
		return differing(this.conditions.media, this.#solver(a), this.#solver(b));
	}

	/**
	 * Where an offset of a file as used here is in the file itself, before the insertions of errands and of edits being
	 * tried.
	 */
	inFile(file: string, offset: number): number {
		const at = file === this.path ? this.#given.steps.reduceRight(offsetBefore, offset) : offset;
		return offsetBefore(at, this.#site.texts.get(file)?.trial ?? []);
	}

	/** Where an offset of the page's file is in its text with errands applied. */
	withErrands(offset: number): number {
		return this.#given.steps.reduce(offsetAfter, offset);
	}

	/** The shown place of an offset of a file as used here. */
	shownPlace(file: string, offset: number): ShownPlace {
		return shownPlace(this.#site, file, this.inFile(file, offset));
	}

	/** The same in words. */
	placeInWords(file: string, offset: number): string {
		return placeInWords(this.#site, file, this.inFile(file, offset));
	}

	/** What in a file is in force on this page in a vantage, by places in the present file. */
	async force(file: string, as: SeenVantage): Promise<FileForce> {
		const inFile = (offset: number): number => this.inFile(file, offset);
		const { rules, notes } = await reader.force({ path: this.path, texts: this.texts, as }, file);
		return {
			rules: rules.map(({ span: { start, end }, widths }) => ({
				span: { start: inFile(start), end: inFile(end) },
				widths
			})),
			notes: notes.map((one) => ({ ...one, at: inFile(one.at) }))
		};
	}

	/** The widths of a vantage at which a list of media queries holds. */
	widthsOf(queries: readonly MediaQuery[], vantage: Vantage): IntervalSet {
		return this.#solver(vantage)(queries);
	}

	/** The names on the page and in its sheets. */
	names(): Promise<PageNames> {
		return reader.names(this.path, this.texts);
	}

	/** The values that the site uses for a property, the most frequent first. */
	usedValues(property: string): Promise<readonly UsedValue[]> {
		return reader.usedValues(this.path, this.texts, property);
	}

	/** The page with another text of one of its files, computed from the present one. */
	changed(file: string, change: (text: string) => string): PageState {
		return new PageState(this.#site, this.path, (path) => {
			const text = this.#text(path);
			return path === file && text !== undefined ? change(text) : text;
		});
	}

	/** Computes in steps what frames of some vantages get once a file has another text. */
	frameAhead(file: string, text: string, prefix: string, seen: readonly SeenVantage[]): Steps<void> {
		return contentAhead(
			this.changed(file, () => text),
			file,
			prefix,
			seen
		);
	}

	/** What a frame of a vantage gets of the page, on a stage with a prefix for its files. */
	content(prefix: string, seen: SeenVantage, staged: readonly StagedChange[] = NOTHING_STAGED): PageContent {
		return { ...this.#frameContent(this, prefix, seen), staged };
	}
}
