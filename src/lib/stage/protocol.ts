import type { FrameContent, StyleText } from '../core/page/index.ts';
import type { StagedChange } from '../core/staged/index.ts';
import type { ElementBox } from '../probe/box.ts';
import type { ElementAnswer, Moving } from '../probe/cascade.ts';
import type { ContainingBlock } from '../probe/containing.ts';
import type { ElementFacts, FactsFound, Sought } from '../probe/facts.ts';
import type { Snapshot } from '../probe/snapshot.ts';
import type { SpaceFound } from '../probe/space.ts';
import type { Unseen } from '../probe/unseen.ts';
import type { Values } from '../probe/values.ts';

export type { ContainingBlock, ElementAnswer, ElementFacts, Moving, FactsFound, Sought, SpaceFound, Unseen };

/** The messages between the application and a stage. */

/** A page for a frame, with questions about it. Of its source a frame only inserts what cannot run or load. */
export interface PageContent extends FrameContent {
	/** Changes made to it before it is shown, in place of what a script would have done. */
	readonly staged: readonly StagedChange[];
	/** Container conditions to be evaluated with each measurement, for an element and all its ancestors. */
	readonly elementQuery?: {
		readonly path: readonly number[];
		readonly conditions: readonly string[];
		/** Whether each measurement includes the element's facts and computed values, and which longhands. */
		readonly longhands?: readonly string[];
	};
	/** Longhands of every element to be included in each measurement, and selectors for which matches are included. */
	readonly values?: { readonly longhands: readonly string[]; readonly selectors: readonly string[] };
	/** An element that is followed: its box and these longhands are read in place of findings. */
	readonly followed?: { readonly path: readonly number[]; readonly longhands: readonly string[] };
}

/** A picture laid on a page: its box, CSS px of the page, and how it is shown. */
export interface ShownOriginal {
	/** A `data:` address. */
	readonly src: string;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** Under the page, over it, or over it from a line on. */
	readonly mode: 'under' | 'over' | 'wipe';
	/** From 0 to 1: the picture's opacity, or the position of the line across the frame. */
	readonly strength: number;
}

/** A point of a page, CSS px from its left upper corner. */
export interface PagePoint {
	readonly frame: string;
	readonly x: number;
	readonly y: number;
}

/** A state pinned on an element, in one frame or (null) in all. */
export interface Pin {
	readonly path: readonly number[];
	readonly state: 'hover' | 'focus' | 'active';
	readonly frame: string | null;
}

/** The viewport of a frame: CSS px of the page, and device pixels per CSS px. */
export interface Viewport {
	readonly width: number;
	readonly height: number;
	readonly density: number;
}

/** A page to be laid out, and at which widths. */
export interface LayoutJob {
	readonly content: PageContent;
	readonly viewport: Viewport;
	/** CSS px, possibly fractional. */
	readonly widths: readonly number[];
	/** Greater values go first. */
	readonly priority?: number;
	readonly signal?: AbortSignal;
	/** Called with a width at which a stage hung twice, and which was given up; without it that ends the job. */
	readonly onhung?: (width: number) => void;
}

/** The place of a frame on the stage: px of the stage, and how many of them a px of the page takes. */
export interface Placement {
	readonly frame: string;
	readonly left: number;
	readonly top: number;
	readonly scale: number;
	readonly viewport: Viewport;
	/** The visible part of the viewport, CSS px; all of it where omitted. */
	readonly part?: Part;
	/** Whether the wheel moves that part over the viewport before it scrolls the page. */
	readonly pans?: boolean;
}

/** A part of a viewport, CSS px from its left upper corner. */
export interface Part {
	readonly left: number;
	readonly top: number;
	readonly width: number;
	readonly height: number;
}

/** A key pressed with the focus in a frame. */
export interface FrameKey {
	readonly key: string;
	readonly shift: boolean;
	readonly ctrl: boolean;
	readonly alt: boolean;
	readonly meta: boolean;
	readonly repeat: boolean;
	/** True where it was released. */
	readonly up: boolean;
	/** True where the key goes to a field of the page. */
	readonly typing: boolean;
}

/** What a stage reports by itself. */
export interface StageListener {
	key(key: FrameKey): void;
	/** A link of a page was followed: where it leads, as an absolute address. */
	open(href: string): void;
	/** Something removed a page from its frame; it was rewritten. */
	lost(): void;
	/** An element was clicked on; with what was held. */
	pick(picked: Picked): void;
	/** A point was clicked on, while clicks are points. */
	point(point: PagePoint): void;
	/** The visible part of a frame is to be moved down its viewport, CSS px; up where negative. */
	pan(frame: string, by: number): void;
	/** Where the selected elements are now; reported whenever that changes. */
	boxes(boxes: readonly SelectedIn[]): void;
}

export interface Picked {
	readonly path: number[];
	readonly shift: boolean;
	/** Whether Ctrl or Cmd was held. */
	readonly add: boolean;
	/** Whether it was at the same place as the previous click, and soon after it. */
	readonly again: boolean;
	/** The word that was double-clicked: offsets in the element's text. */
	readonly word?: { readonly start: number; readonly end: number };
}

/**
 * The boxes of the selected elements in a frame, CSS px relative to its viewport; null for one that has none there.
 */
export interface SelectedIn {
	readonly frame: string;
	readonly boxes: readonly (ElementBox | null)[];
	/** Why each does not show there; null for one that shows. */
	readonly unseen: readonly (Unseen | null)[];
	/** Upper and lower edge of the first of them and of each of its ancestors; null where there is no box. */
	readonly ladder: readonly (readonly [top: number, bottom: number] | null)[];
	/** How far the page is scrolled, CSS px: added, they give boxes relative to the page. */
	readonly scroll: { readonly x: number; readonly y: number };
}

/** A selector to be tried on elements, within its `@scope`s, outermost first. */
export interface AskedSelector {
	readonly selector: string;
	readonly scopes: readonly { readonly root: string | null; readonly limit: string | null }[];
}

export interface Measured {
	readonly width: number;
	readonly snapshot: Snapshot;
	/** Which of the conditions hold, for the element and each of its ancestors. */
	readonly held?: readonly (readonly boolean[])[];
	/** What was asked of every element. */
	readonly values?: Values;
	/** The facts and computed values of the element in question. */
	readonly facts?: FactsFound;
	readonly computed?: ReadonlyMap<string, string>;
}

/** What kinds of findings read at a width, by key (`core/findings`), or the values of what is followed, by name. */
export interface Read {
	readonly width: number;
	readonly readings: ReadonlyMap<string, number | string>;
}

/** When something was on the screen: ms since 1970, by the clock that all pages of a machine share. */
export type Painted = number;

/** What a stage does. */
export interface StageHost {
	listen(listener: StageListener): void;
	/** Lays out the frames: exactly these exist afterwards. Resolves when they have been painted. */
	arrange(placements: readonly Placement[]): Promise<Painted>;
	/**
	 * Gives frames a page in place of their present one; the scroll position is kept. Resolves when they have been
	 * painted.
	 */
	write(frames: readonly string[], content: PageContent): Promise<Painted>;
	/** Replaces sheets of the frames' page. Resolves when they have been painted. */
	restyle(frames: readonly string[], sheets: readonly StyleText[]): Promise<Painted>;
	/** Whether scrolling one frame scrolls the others to the same element; initially it does. */
	keepInStep(on: boolean): void;
	/** Whether pointer and keys go to the pages: nothing is sent, links report where they lead, scripts do not run. */
	use(on: boolean): void;
	/** Whether the edges of all boxes are shown, and the name of the one under the pointer. */
	keylines(on: boolean): void;
	/** Outlines in every frame what a selector matches; '' for nothing. */
	outline(selector: string): void;
	/**
	 * Shows these elements as selected in every frame; with the distances to their neighbours and parent, or between
	 * two.
	 */
	select(paths: readonly (readonly number[])[], distances: boolean): void;
	/** Pins exactly these states on elements. */
	pin(pins: readonly Pin[]): void;
	/** Lays exactly these pictures on the pages of frames, by the frames' ids. */
	originals(shown: ReadonlyMap<string, ShownOriginal>): void;
	/** Whether clicks are points, and which points are shown. */
	points(on: boolean, shown: readonly PagePoint[]): void;
	/** Scrolls a frame so that an element is in sight; frames in step follow. */
	reveal(frame: string, path: readonly number[]): void;
	/** Every element of a frame that does not show, by its path (indexes separated by points), and why. */
	unseen(frame: string): ReadonlyMap<string, Unseen>;
	/** How many elements of a frame each selector matches; null for an invalid one. */
	hits(frame: string, selectors: readonly string[]): (number | null)[];
	/** The elements of a frame that a selector matches, in document order, as paths; none for an invalid selector. */
	found(frame: string, selector: string): number[][];
	/** Texts of pages for `reach`, as far as they have changed. */
	know(pages: ReadonlyMap<string, string>): void;
	/**
	 * How many elements of each of these pages each selector matches, without a frame; null for an invalid selector.
	 */
	reach(pages: readonly string[], selectors: readonly string[]): (number | null)[][];
	/** Which of the selectors match an element of a frame. */
	matching(frame: string, path: readonly number[], selectors: readonly string[]): boolean[];
	/** Selectors and `@container` conditions for `cascade`, until others are sent. */
	ask(selectors: readonly AskedSelector[], containers: readonly string[]): void;
	/**
	 * What matches an element of a frame and each of its ancestors, itself first (a pseudo-element of it before that).
	 */
	cascade(frame: string, path: readonly number[], pseudo: string): ElementAnswer[];
	/** The containing block of an element of a frame; null where no box tells. */
	containing(frame: string, path: readonly number[]): ContainingBlock | null;
	/** The space at each side of an element of a frame. */
	spaces(frame: string, path: readonly number[]): SpaceFound[];
	/** What animations and transitions are changing on an element of a frame now. */
	moving(frame: string, path: readonly number[]): Moving[];
	/**
	 * What selectors match in a frame, or the element at a path, if these are few, with some computed longhands; see
	 * `findFacts`.
	 */
	facts(frame: string, sought: readonly Sought[], most: number, longhands: readonly string[]): FactsFound;
	/** Every computed longhand of elements in a frame, by name; empty where it has no such element. */
	computed(frame: string, paths: readonly (readonly number[])[]): ReadonlyMap<string, string>[];
	/** Measures a page at some widths in an invisible frame; reports each. */
	measure(
		content: PageContent,
		viewport: Viewport,
		widths: readonly number[],
		report: (measured: Measured) => void
	): Promise<void>;
	/** Reads the findings in a page at some widths, or what is followed, in the same frame; reports each. */
	read(
		content: PageContent,
		viewport: Viewport,
		widths: readonly number[],
		report: (read: Read) => void
	): Promise<void>;
}

/** The first message of a stage to the window around it; the answer brings the port. */
export const READY = 'vantaggio: stage ready';
/** Asks a stage to announce itself again. */
export const ASK_READY = 'vantaggio: stage ready?';
