import type { Interval, IntervalSet, Rational } from '$lib/core/interval/index.ts';
import { type Threshold, type MediaSite } from '$lib/core/media/index.ts';

/** A place in the sources. */
export type Place = Pick<MediaSite, 'file' | 'span'>;

/** A condition where it stands. */
export interface Stated extends Place {
	readonly text: string;
}

/** How places are named and gone to. */
export interface Places {
	readonly placeOf: (place: Place) => string;
	readonly onplace: (place: Place) => void;
}

/** How a threshold is moved, with its other half, brought together with others, and named. */
export interface Shift {
	begin(threshold: Threshold): void;
	/** To a width, CSS px. */
	put(px: number): void;
	/** Breakpoints are to be one, at a width. */
	gather(froms: readonly Rational[], to: Rational): void;
	/** A breakpoint is to have a name; '' for none. */
	name(at: Rational, name: string): void;
}

/** What is done at the places of conditions on the Measure. */
export interface MeasuredPlaces extends Places {
	/** How thresholds are moved, where they can be. */
	readonly onshift?: Shift | undefined;
	/** A request to close a stretch that is narrower than a pixel. */
	readonly onjoin?: ((stretch: Interval) => void) | undefined;
	/** How far apart the halves of breakpoints may be without a mark, CSS px. */
	readonly meantGap?: number;
}

/** Widths that stand out on the Measure. */
export interface Stretches {
	/** What is in the hand reaches them. */
	readonly reach?: IntervalSet | null;
	/** Something is held there. */
	readonly held?: IntervalSet | null;
	/** Something was found there. */
	readonly found?: IntervalSet | null;
}
