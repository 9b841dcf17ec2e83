import type { KindSetting } from '../core/findings/settings.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { WidthRange } from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { EditOnPage } from '../core/wake/index.ts';
import type { LaidElement, PageJob } from '../inquiry/layout.ts';
import type { Depth, ValuesAsked } from '../inquiry/wake.ts';
import type { Measured } from '../stage/protocol.ts';
import type { SentTexts } from './texts.ts';

/** A page as a vantage, as it is to be measured. */
export interface PageRequest {
	readonly path: string;
	readonly texts: SentTexts;
	readonly as: SeenVantage;
}

/** An edit of some files of a page. */
export interface EditRequest {
	readonly path: string;
	/** The path that the page had before the edit. */
	readonly pathBefore: string;
	readonly before: SentTexts;
	readonly after: SentTexts;
	readonly files: readonly string[];
	readonly as: SeenVantage;
}

/** What is measured, and where. */
export interface MeasuringSetup {
	readonly site: number;
	/** What the addresses of the site's files begin with on the stages. */
	readonly prefix: string;
	/** How many stages there are at most. */
	readonly stages: number;
	/** The version of the application. */
	readonly version: string;
}

/** At which widths a page is laid out, and what is asked about an element of it. */
export interface LayoutOptions extends Pick<PageJob, 'about' | 'widths'> {
	readonly priority: number;
}

/** How a page is swept. */
export interface SweepOptions {
	readonly stretch: WidthRange;
	readonly settings: readonly KindSetting[];
	/** Whether it ends when every end is exact. */
	readonly isPaused: boolean;
}

/** What is followed, over which widths. */
export interface FollowOptions {
	readonly path: ElementPath;
	readonly property: string;
	readonly stretch: WidthRange;
}

/** How a page is compared: what the edit touches, and what is asked of every element (`valuesAsked`). */
export interface CompareOptions {
	readonly edit: EditOnPage;
	readonly values: ValuesAsked;
	readonly stretch: WidthRange;
	readonly depth: Depth;
	/** How the site wants findings. */
	readonly settings: readonly KindSetting[];
}

/** What the thread asks of the window, and reports to it. */
export interface MeasuringWindow {
	/** Opens the frame of a stage; gives the port by which it is asked. */
	open(n: number): Promise<MessagePort>;
	close(n: number): void;
	/** Something to report of what was asked with a number; done when it has been heard. */
	report(id: number, one: unknown): void;
}

/** What is asked about an element as it crosses between threads; what a stage told of it is checked by who asks. */
export type UncheckedElement = Omit<LaidElement, 'reported'> & Pick<Measured, 'facts' | 'computed'>;
