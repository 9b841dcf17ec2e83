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

/** A browser's word on declarations and on `@supports`. */
export interface BrowserEngine extends Engine {
	/** Whether an `@supports` condition holds (CSS Conditional Rules 3 §6). */
	supports(condition: string): boolean;
}

/** Pages laid out for real, out of sight. */
export interface MeasuringLayout {
	/** Lays a page out at widths, and tells all of each layout. */
	measure(job: LayoutJob): AsyncIterable<Measured>;
	/** The same, and tells what is found in each layout. */
	read(job: LayoutJob): AsyncIterable<Read>;
}

/** What is asked about an element (`PageContent.elementQuery`), as it is laid out at a width. */
export interface LaidElement {
	readonly width: number;
	/** Undefined where it is not laid out. */
	readonly laid: LaidOut | undefined;
	readonly held?: Measured['held'];
	/** Undefined where its facts were not asked about. */
	readonly reported: ReportedElement | undefined;
}

/** What a frame, or a measurement, tells of an element: facts of it and of what is around and in it, and its values. */
export interface ReportedElement {
	readonly facts: FactsFound;
	readonly computed: ReadonlyMap<string, string>;
}

/** A page that is laid out at widths, out of sight. */
export interface PageJob {
	readonly page: Pick<InquiredPage, 'path' | 'texts'>;
	readonly as: SeenVantage;
	/** What is asked about an element. */
	readonly about: Pick<PageContent, 'elementQuery' | 'followed'>;
	/** CSS px. */
	readonly widths: readonly number[];
	/** Greater goes first. */
	readonly priority?: number;
	readonly signal?: AbortSignal;
}

/** Pages laid out for real, in frames that show them and out of sight, and the browser that lays them out. */
export interface Layout {
	readonly engine: BrowserEngine;
	/** Does work that would hold the thread for long in pieces, between which it does what else is waiting. */
	pace<X>(steps: Steps<X>): Promise<X>;
	/** Lays a page out at widths out of sight, and tells of each layout what is asked about an element. */
	askAt(job: PageJob): AsyncIterable<LaidElement>;
	/** The same, and tells what is found in each layout. */
	read(job: PageJob): AsyncIterable<Read>;
	/** Selectors and `@container` conditions that `cascade`, `facts` and `askAt` try from now on. */
	ask(queries: readonly SelectorQuery[], containers: readonly string[]): void;
	/** What hits an element of a frame and each of its ancestors, itself first (a pseudo-element of it before). */
	cascade(frame: string, path: ElementPath, pseudo: string): Promise<readonly ElementAnswer[]>;
	/** The containing block of an element of a frame; null where that is not told by a box. */
	containing(frame: string, path: ElementPath): Promise<ContainingBlock | null>;
	/** What animations and transitions move on an element of a frame now. */
	moving(frame: string, path: ElementPath): Promise<readonly Moving[]>;
	/** What selectors match in a frame, each no more than so many elements, with some computed longhands. */
	facts(
		frame: string,
		sought: readonly Sought[],
		most: number,
		longhands: readonly string[]
	): Promise<FactsFound>;
	/** The computed values of elements in a frame. */
	computed(frame: string, paths: readonly ElementPath[]): Promise<readonly ReadonlyMap<string, string>[]>;
}
