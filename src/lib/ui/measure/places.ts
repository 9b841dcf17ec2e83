import type { Interval, IntervalSet, Rational } from '$lib/core/interval/index.ts';
import { type Threshold, type MediaSite } from '$lib/core/media/index.ts';

/** A place in the sources. */
export type Place = Pick<MediaSite, 'file' | 'span'>;

/** A condition with its place. */
export interface Stated extends Place {
	readonly text: string;
}

/** How places are named and shown. */
export interface Places {
	readonly placeOf: (place: Place) => string;
	readonly onplace: (place: Place) => void;
}

/** How a threshold is moved with its other half, merged with others, and named. */
export interface Shift {
	begin(threshold: Threshold): void;
	/** Moves it to a width, CSS px. */
	put(px: number): void;
	/** Merges breakpoints at a width. */
	gather(froms: readonly Rational[], to: Rational): void;
	/** Names a breakpoint; '' removes the name. */
	name(at: Rational, name: string): void;
}

/** Actions at the places of conditions on the Measure. */
export interface MeasuredPlaces extends Places {
	/** How thresholds are moved, where that is possible. */
	readonly onshift?: Shift | undefined;
	/** Closes a gap narrower than a pixel. */
	readonly onjoin?: ((stretch: Interval) => void) | undefined;
	/** How far apart the halves of breakpoints may be without a mark, CSS px. */
	readonly meantGap?: number;
}

/** Highlighted widths on the Measure. */
export interface Stretches {
	/** Widths that the value being edited reaches. */
	readonly reach?: IntervalSet | null;
	/** Widths where something is held. */
	readonly held?: IntervalSet | null;
	/** Widths where something was found. */
	readonly found?: IntervalSet | null;
}
