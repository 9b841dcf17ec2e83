import type { SelectorQuery, Engine } from '../core/cascade/index.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { Steps } from '../core/steps/index.ts';
import type { LaidOut } from '../core/snapshot/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type {
	ContainingBlock,
	ElementAnswer,
	FactsFound,
	LayoutJob,
	Measured,
	Moving,
	PageContent,
	Read,
	Sought
} from '../stage/protocol.ts';
import type { InquiredPage } from './page.ts';

/** A browser's judgement of declarations and of `@supports`. */
export interface BrowserEngine extends Engine {
	/** Whether an `@supports` condition holds (CSS Conditional Rules 3 §6). */
	supports(condition: string): boolean;
}

/** Pages laid out by a browser, out of sight. */
export interface MeasuringLayout {
	/** Lays a page out at widths, and returns a snapshot of each layout. */
	measure(job: LayoutJob): AsyncIterable<Measured>;
	/** The same, and returns the findings in each layout. */
	read(job: LayoutJob): AsyncIterable<Read>;
}

/** The answer to a question about an element (`PageContent.elementQuery`) at a width. */
export interface LaidElement {
	readonly width: number;
	/** Undefined where it is not laid out. */
	readonly laid: LaidOut | undefined;
	readonly held?: Measured['held'];
	/** Undefined where its facts were not asked for. */
	readonly reported: ReportedElement | undefined;
}

/**
 * What a frame, or a measurement, reports about an element: facts about it, its ancestors and its children, and its
 * values.
 */
export interface ReportedElement {
	readonly facts: FactsFound;
	readonly computed: ReadonlyMap<string, string>;
}

/** A page to be laid out at widths, out of sight. */
export interface PageJob {
	readonly page: Pick<InquiredPage, 'path' | 'texts'>;
	readonly as: SeenVantage;
	/** The question about an element. */
	readonly about: Pick<PageContent, 'elementQuery' | 'followed'>;
	/** CSS px. */
	readonly widths: readonly number[];
	/** Greater values go first. */
	readonly priority?: number;
	readonly signal?: AbortSignal;
}

/** Pages laid out by a browser, in frames that show them and out of sight, and the browser itself. */
export interface Layout {
	readonly engine: BrowserEngine;
	/** Does work that would block the thread for long in pieces, between which other work gets its turn. */
	pace<X>(steps: Steps<X>): Promise<X>;
	/** Lays a page out at widths out of sight, and answers a question about an element for each layout. */
	askAt(job: PageJob): AsyncIterable<LaidElement>;
	/** The same, and returns the findings in each layout. */
	read(job: PageJob): AsyncIterable<Read>;
	/** Selectors and `@container` conditions that `cascade`, `facts` and `askAt` use from now on. */
	ask(queries: readonly SelectorQuery[], containers: readonly string[]): void;
	/**
	 * What matches an element of a frame and each of its ancestors, itself first (a pseudo-element of it before that).
	 */
	cascade(frame: string, path: ElementPath, pseudo: string): Promise<readonly ElementAnswer[]>;
	/** The containing block of an element of a frame; null where no box tells. */
	containing(frame: string, path: ElementPath): Promise<ContainingBlock | null>;
	/** What animations and transitions are changing on an element of a frame now. */
	moving(frame: string, path: ElementPath): Promise<readonly Moving[]>;
	/** What selectors match in a frame, at most so many elements each, with some computed longhands. */
	facts(
		frame: string,
		sought: readonly Sought[],
		most: number,
		longhands: readonly string[]
	): Promise<FactsFound>;
	/** The computed values of elements in a frame. */
	computed(frame: string, paths: readonly ElementPath[]): Promise<readonly ReadonlyMap<string, string>[]>;
}
