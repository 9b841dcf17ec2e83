import { changedLines, cutToChange, type Edit, type Hunk } from '../core/text/index.ts';
import type { SiteState } from './site.svelte.ts';
import { Working } from '../writing/working.ts';
import type { Desk } from '../writing/declaration.ts';

/**
 * A desk with the texts of a site as everything else sees them; a long text being typed in may be a moment behind.
 */
export const deskAsRead = ({ texts, given }: SiteState): Desk => ({
	working: new Working((path) => texts.get(path)?.text),
	kind: (path) => texts.get(path)?.kind ?? 'sheet',
	isGiven: (path) => given.has(path)
});

/** A desk with the texts of a site as they are now. */
export function deskOf(site: SiteState): Desk {
	for (const file of site.texts.values()) file.settle();
	return deskAsRead(site);
}

/** The lines that an edit changes in a file. */
export interface FileLines {
	readonly path: string;
	readonly hunks: readonly Hunk[];
}

/** The lines that an edit changes, by file, as they are shown. */
export const linesOf = ({ texts }: SiteState, edit: Edit | null): FileLines[] =>
	(edit?.files ?? []).map(({ path, changes }) => ({
		path,
		hunks: changedLines(texts.get(path)?.text ?? '', changes).map(cutToChange)
	}));
