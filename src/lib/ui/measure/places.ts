import type { Rational } from '$lib/core/interval/index.ts';
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
