import { placeInFile } from '../core/minified/index.ts';
import { lineStarts, placeAt, type Place } from '../core/text/index.ts';
import type { SiteState } from './site.svelte.ts';

/** A place of a text as the editor shows it, and in the file of a text that is laid out. */
export interface ShownPlace extends Place {
	/** Null where the text is as it is in the file, and as long as the place there is not known. */
	readonly inFile: Place | null;
}

/** Where an offset of a file's text stands. */
export function shownPlace(site: SiteState, path: string, offset: number): ShownPlace {
	const file = site.texts.get(path);
	const place = placeAt(lineStarts(file?.text ?? ''), offset);
	const lines = file && site.linesInFile.of(file);
	return { ...place, inFile: lines ? placeInFile(lines, place) : null };
}

/** Where a place is in the file of a text that is laid out, to stand after where it is in the layout; else ''. */
export const inFileInWords = ({ inFile }: ShownPlace): string =>
	inFile ? ` (${inFile.line}:${inFile.column} in the file)` : '';

/** A place as it is named: the file without its folder, and the line; of a text that is laid out, where it is in the file, too. */
export function placeInWords(site: SiteState, path: string, offset: number): string {
	const place = shownPlace(site, path, offset);
	return `${path.replace(/^.*\//, '')}:${place.line}${inFileInWords(place)}`;
}
