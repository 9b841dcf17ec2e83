import type { Snapshot } from '../probe/snapshot.ts';

/** What the application and a stage say to each other. */

/** A page as a frame is given it. */
export interface PageContent {
	/** Its address on the stage, from the root: relative addresses start there. */
	readonly address: string;
	/** Its inert source. */
	readonly html: string;
	readonly sheets: readonly SheetText[];
	/** Rules that come after every sheet of the page. */
	readonly rules: string;
	/** Whether films play, stand still, or have not come. */
	readonly films: 'play' | 'still' | 'none';
	/** Whether the page is laid out from right to left, whatever it says itself. */
	readonly rightToLeft: boolean;
	/** Whether it is touched rather than pointed at: a tap then holds the hover. */
	readonly taps: boolean;
}

/** The text for a `<style>` of the page. */
export interface SheetText {
	readonly element: readonly number[];
	readonly text: string;
}

/** The viewport of a frame: CSS px of the page, and device pixels for one of them. */
export interface Viewport {
	readonly width: number;
	readonly height: number;
	readonly density: number;
}

/** Where a frame lies on the stage: px of the stage, and how many of them a px of the page takes. */
export interface Placement {
	readonly frame: string;
	readonly left: number;
	readonly top: number;
	readonly scale: number;
	readonly viewport: Viewport;
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
	/** A link of a page that is used: its address as written. */
	open(href: string): void;
}

export interface Measured {
	readonly width: number;
	readonly snapshot: Snapshot;
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
	restyle(frames: readonly string[], sheets: readonly SheetText[]): Promise<Painted>;
	/** Whether scrolling one frame scrolls the others to the same element; so it is from the start. */
	keepInStep(on: boolean): void;
	/** Whether pointer and keys go to the pages: nothing is sent, links tell where they lead, scripts do not run. */
	use(on: boolean): void;
	/** Whether the edges of all boxes are shown, and whose is under the pointer. */
	lightTable(on: boolean): void;
	/** Measures a page at some widths in a frame that nobody sees; each is reported as it is had. */
	measure(
		content: PageContent,
		viewport: Viewport,
		widths: readonly number[],
		report: (measured: Measured) => void
	): Promise<void>;
}

/** The first message of a stage to the window around it; the answer carries the port. */
export const READY = 'vantaggio: stage ready';
