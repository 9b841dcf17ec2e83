import { lineStarts, placeAt } from '$lib/core/text/index.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { Place } from '$lib/ui/measure/places.ts';

/** The line at which a place of a page's sources begins. */
export const lineOf = (page: PageState, { file, span }: Place): number =>
	placeAt(lineStarts(page.sources.text(file) ?? ''), span.start).line;

/** A place as it is named: the file without its folder, and the line. */
export const placeName = (page: PageState, place: Place): string =>
	`${place.file.replace(/^.*\//, '')}:${lineOf(page, place)}`;
