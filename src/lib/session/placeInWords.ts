import { placeInFile } from '../core/minified/index.ts';
import { lineStarts, placeAt, type Place } from '../core/text/index.ts';
import type { SiteState } from './site.svelte.ts';

/** A place of a text as the editor shows it and, where the text is laid out, in its file. */
export interface ShownPlace extends Place {
	/** Null where the text is the same as in the file, and until the place there is known. */
	readonly inFile: Place | null;
}

/** The place of a file's text as shown. */
export function shownAt(site: SiteState, path: string, place: Place): ShownPlace {
	const file = site.texts.get(path);
	const lines = file && site.linesInFile.of(file);
	return { ...place, inFile: lines ? placeInFile(lines, place) : null };
}

/** The shown place of an offset of a file's text. */
export const shownPlace = (site: SiteState, path: string, offset: number): ShownPlace =>
	shownAt(site, path, placeAt(lineStarts(site.texts.get(path)?.text ?? ''), offset));

/** The place in the file of a laid-out text, to follow its place in the layout; otherwise ''. */
export const inFileInWords = ({ inFile }: ShownPlace): string =>
	inFile ? ` (${inFile.line}:${inFile.column} in the file)` : '';

/**
 * The name of a place: the file without its folder, and the line; for a laid-out text also the place in the file.
 */
export function placeInWords(site: SiteState, path: string, offset: number): string {
	const place = shownPlace(site, path, offset);
	return `${path.replace(/^.*\//, '')}:${place.line}${inFileInWords(place)}`;
}
