import type { PageState } from '$lib/session/page.svelte.ts';
import type { Place } from '$lib/ui/measure/places.ts';

/** The line at which a place of a page's sources begins. */
export const lineOf = (page: PageState, { file, span }: Place): number =>
	page.shownPlace(file, span.start).line;

/** The name of a place in a page's sources. */
export const placeName = (page: PageState, { file, span }: Place): string =>
	page.placeInWords(file, span.start);
