import type { Place } from '$lib/ui/measure/places.ts';

/** What frames, and places of conditions, are called. */
export interface FrameNames {
	readonly lead: string;
	readonly placeOf: (place: Place) => string;
	/** What is said of what a frame of some width shows, and in few words, in place of its size and band. */
	readonly said?: (width: number) => { readonly whole: string; readonly short: string };
}
