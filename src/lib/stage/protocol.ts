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

/** What the application and a stage say to each other. */

/** A page as a frame is given it, and what is asked about it. Of its source a frame puts in what cannot run or load. */
export interface PageContent extends FrameContent {
	/** Changes that are made to it before it is shown: what a script would have done. */
	readonly staged: readonly StagedChange[];
	/** Container conditions that are asked about with each measurement, for an element and all around it. */
	readonly elementQuery?: {
		readonly path: readonly number[];
		readonly conditions: readonly string[];
		/** Whether the element's facts and computed values are told with each measurement, and with which longhands. */
		readonly longhands?: readonly string[];
	};
	/** Longhands whose values, of every element, are told with each measurement, and with them which elements selectors match. */
	readonly values?: { readonly longhands: readonly string[]; readonly selectors: readonly string[] };
	/** An element that is followed: in place of what is found, its box and these longhands are read. */
	readonly followed?: { readonly path: readonly number[]; readonly longhands: readonly string[] };
}

/** A picture that is laid on a page: its box, CSS px of the page, and how it shows. */
export interface ShownOriginal {
	/** A `data:` address. */
	readonly src: string;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** Under the page, over it, or over it from a line on. */
	readonly mode: 'under' | 'over' | 'wipe';
	/** From 0 to 1: how much of the picture shows, or where across the frame the line is. */
	readonly strength: number;
}

/** A point of a page, CSS px from its left upper corner. */
export interface PagePoint {
	readonly frame: string;
	readonly x: number;
	readonly y: number;
}

/** A state that is held on an element, in one frame or (null) in all. */
export interface Pin {
	readonly path: readonly number[];
	readonly state: 'hover' | 'focus' | 'active';
	readonly frame: string | null;
}

/** The viewport of a frame: CSS px of the page, and device pixels for one of them. */
export interface Viewport {
	readonly width: number;
	readonly height: number;
	readonly density: number;
}

/** A page that is to be laid out, and at which widths. */
export interface LayoutJob {
	readonly content: PageContent;
	readonly viewport: Viewport;
	/** CSS px, with fractions where wanted. */
	readonly widths: readonly number[];
	/** Greater goes first. */
	readonly priority?: number;
	readonly signal?: AbortSignal;
	/** Told of a width over which a stage hung twice, and which was given up; without it that ends the job. */
	readonly onhung?: (width: number) => void;
}

/** Where a frame lies on the stage: px of the stage, and how many of them a px of the page takes. */
export interface Placement {
	readonly frame: string;
	readonly left: number;
	readonly top: number;
	readonly scale: number;
	readonly viewport: Viewport;
	/** What of the viewport is drawn, CSS px of it; all of it where that is left out. */
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
	/** True where it was let go. */
	readonly up: boolean;
	/** True where the key goes into a field of the page. */
	readonly typing: boolean;
}

/** What a stage tells without being asked. */
export interface StageListener {
	key(key: FrameKey): void;
	/** A link of a page that is used: where it leads, as an absolute address. */
	open(href: string): void;
	/** Something took a page out of its frame; it was written anew. */
	lost(): void;
	/** An element was clicked on; with what was held. */
	pick(picked: Picked): void;
	/** A point was clicked on, while clicks are points. */
	point(point: PagePoint): void;
	/** The part of a frame that is drawn is to be moved down its viewport, CSS px of it; up where that is negative. */
	pan(frame: string, by: number): void;
	/** Where the selected elements are now; told whenever that has changed. */
	boxes(boxes: readonly SelectedIn[]): void;
}

export interface Picked {
	readonly path: number[];
	readonly shift: boolean;
	/** Whether Ctrl or Cmd was held. */
	readonly add: boolean;
	/** Whether it was at the place of the click before, and soon after it. */
	readonly again: boolean;
	/** The word that was clicked on twice: offsets in the element's text. */
	readonly word?: { readonly start: number; readonly end: number };
}

/** The boxes of the selected elements in a frame, CSS px against its viewport; null for one that has none there. */
export interface SelectedIn {
	readonly frame: string;
	readonly boxes: readonly (ElementBox | null)[];
	/** Why each does not show there; null for one that does. */
	readonly unseen: readonly (Unseen | null)[];
	/** Upper and lower edge of the first of them and of each of its ancestors; null for what has no box. */
	readonly ladder: readonly (readonly [top: number, bottom: number] | null)[];
	/** How far the page is scrolled, CSS px: what makes them boxes against the page. */
	readonly scroll: { readonly x: number; readonly y: number };
}

/** A selector that is tried on elements, within its `@scope`s from the outermost. */
export interface AskedSelector {
	readonly selector: string;
	readonly scopes: readonly { readonly root: string | null; readonly limit: string | null }[];
}

export interface Measured {
	readonly width: number;
	readonly snapshot: Snapshot;
	/** Which of the conditions asked about hold, for the element and each of its ancestors. */
	readonly held?: readonly (readonly boolean[])[];
	/** What was asked of every element. */
	readonly values?: Values;
	/** The facts and the computed values of the element asked about. */
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
	/** Lays out the frames: these and no others exist afterwards. Resolves when they have been painted. */
	arrange(placements: readonly Placement[]): Promise<Painted>;
	/** Gives frames a page, in place of the one they had; scroll is kept. Resolves when they have been painted. */
	write(frames: readonly string[], content: PageContent): Promise<Painted>;
	/** Replaces sheets of the page that frames have. Resolves when they have been painted. */
	restyle(frames: readonly string[], sheets: readonly StyleText[]): Promise<Painted>;
	/** Whether scrolling one frame scrolls the others to the same element; so it is from the start. */
	keepInStep(on: boolean): void;
	/** Whether pointer and keys go to the pages: nothing is sent, links tell where they lead, scripts do not run. */
	use(on: boolean): void;
	/** Whether the edges of all boxes are shown, and whose is under the pointer. */
	keylines(on: boolean): void;
	/** Outlines in every frame what a selector matches; '' for nothing. */
	outline(selector: string): void;
	/** Shows these elements as selected in every frame; with the distances to what is around, or between two. */
	select(paths: readonly (readonly number[])[], distances: boolean): void;
	/** Holds these states on elements, and no others. */
	pin(pins: readonly Pin[]): void;
	/** Lays pictures on the pages of frames, by the frames' ids, and no others. */
	originals(shown: ReadonlyMap<string, ShownOriginal>): void;
	/** Whether clicks are points, and which points are shown. */
	points(on: boolean, shown: readonly PagePoint[]): void;
	/** Scrolls a frame so that an element is in sight; those in step follow. */
	reveal(frame: string, path: readonly number[]): void;
	/** Every element of a frame that does not show, by its path's indexes with points between, and why. */
	unseen(frame: string): ReadonlyMap<string, Unseen>;
	/** How many elements of a frame each selector matches; null for one that is none. */
	hits(frame: string, selectors: readonly string[]): (number | null)[];
	/** The elements of a frame that a selector matches, in document order, as paths; none for what is no selector. */
	found(frame: string, selector: string): number[][];
	/** Texts of pages that `reach` counts in, as far as they have changed. */
	know(pages: ReadonlyMap<string, string>): void;
	/** How many elements of each of these pages each selector matches, without a frame; null for what is no selector. */
	reach(pages: readonly string[], selectors: readonly string[]): (number | null)[][];
	/** Which of the selectors match an element of a frame. */
	matching(frame: string, path: readonly number[], selectors: readonly string[]): boolean[];
	/** Selectors that `cascade` tries, and `@container` conditions that it asks about, until others come. */
	ask(selectors: readonly AskedSelector[], containers: readonly string[]): void;
	/** What hits an element of a frame and each of its ancestors, itself first (a pseudo-element of it before). */
	cascade(frame: string, path: readonly number[], pseudo: string): ElementAnswer[];
	/** The containing block of an element of a frame; null where that is not told by a box. */
	containing(frame: string, path: readonly number[]): ContainingBlock | null;
	/** The space at each side of an element of a frame. */
	spaces(frame: string, path: readonly number[]): SpaceFound[];
	/** What animations and transitions move on an element of a frame now. */
	moving(frame: string, path: readonly number[]): Moving[];
	/** What selectors match in a frame, or what is at a path, as far as that is few, with some computed longhands; see `findFacts`. */
	facts(frame: string, sought: readonly Sought[], most: number, longhands: readonly string[]): FactsFound;
	/** Every computed longhand of elements in a frame, by name; nothing where it has no such element. */
	computed(frame: string, paths: readonly (readonly number[])[]): ReadonlyMap<string, string>[];
	/** Measures a page at some widths in a frame that nobody sees; each is reported as it is had. */
	measure(
		content: PageContent,
		viewport: Viewport,
		widths: readonly number[],
		report: (measured: Measured) => void
	): Promise<void>;
	/** Reads what is found in a page at some widths, or what is followed, in the same frame; each is reported as it is had. */
	read(
		content: PageContent,
		viewport: Viewport,
		widths: readonly number[],
		report: (read: Read) => void
	): Promise<void>;
}

/** The first message of a stage to the window around it; the answer carries the port. */
export const READY = 'vantaggio: stage ready';
/** Asks a stage to say again that it is. */
export const ASK_READY = 'vantaggio: stage ready?';
