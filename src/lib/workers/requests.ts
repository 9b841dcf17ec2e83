import type { KindSetting } from '../core/findings/settings.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { WidthRange } from '../core/sweep/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { EditOnPage } from '../core/wake/index.ts';
import type { LaidElement, PageJob } from '../inquiry/layout.ts';
import type { Depth, ValuesAsked } from '../inquiry/wake.ts';
import type { Measured } from '../stage/protocol.ts';
import type { SentTexts } from './texts.ts';

/** A page to be measured, in a vantage. */
export interface PageRequest {
	readonly path: string;
	readonly texts: SentTexts;
	readonly as: SeenVantage;
}

/** An edit of some files of a page. */
export interface EditRequest {
	readonly path: string;
	/** The page's path before the edit. */
	readonly pathBefore: string;
	readonly before: SentTexts;
	readonly after: SentTexts;
	readonly files: readonly string[];
	readonly as: SeenVantage;
}

/** What is measured, and where. */
export interface MeasuringSetup {
	readonly site: number;
	/** The prefix of addresses of the site's files on the stages. */
	readonly prefix: string;
	/** The largest number of stages. */
	readonly stages: number;
	/** The version of the application. */
	readonly version: string;
}

/** The widths at which a page is laid out, and the question about an element. */
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

/** How a page is compared: what the edit affects, and the question about every element (`valuesAsked`). */
export interface CompareOptions {
	readonly edit: EditOnPage;
	readonly values: ValuesAsked;
	readonly stretch: WidthRange;
	readonly depth: Depth;
	/** The site's settings for findings. */
	readonly settings: readonly KindSetting[];
}

/** Requests and reports of the thread to the window. */
export interface MeasuringWindow {
	/** Opens the frame of a stage; returns its port. */
	open(n: number): Promise<MessagePort>;
	close(n: number): void;
	/** A report on the question with a number; done when it has been received. */
	report(id: number, one: unknown): void;
}

/** A stage's answer about an element, as sent between threads; whoever asked checks it. */
export type UncheckedElement = Omit<LaidElement, 'reported'> & Pick<Measured, 'facts' | 'computed'>;
