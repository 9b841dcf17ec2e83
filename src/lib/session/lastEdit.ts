import { changedErrands, errandsBack, type Errand } from '../core/errand/index.ts';
import type { MovedFile } from '../core/history/index.ts';
import type { Texts } from '../workers/texts.ts';
import { textWithErrands } from './errands.ts';
import type { EditedPage } from './measurer.ts';
import type { SiteState } from './site.svelte.ts';

/** The texts of a site and its errands, at one time. */
export interface Sources {
	readonly texts: Texts;
	readonly errands: readonly Errand[];
}

/** What the last thing done changed. */
export interface LastEdit {
	readonly before: Sources;
	readonly after: Sources;
	/** The files that it changed, and the pages whose errands it changed. */
	readonly files: readonly string[];
	/** The paths between which it moved a file, null for none. */
	readonly moved: Pick<MovedFile, 'from' | 'to'> | undefined;
}

export const sourcesNow = (site: SiteState): Sources => ({
	texts: new Map([...site.texts].map(([path, { text }]) => [path, text])),
	errands: site.kept.errand.list
});

/** The paths between which the last thing done moved a file; undefined where it moved none. */
function lastMoved({ history }: SiteState): LastEdit['moved'] {
	const { step, how } = history.last ?? {};
	const { moved } = step ?? {};
	return moved && how === 'back' ? { from: moved.to, to: moved.from } : moved;
}

/**
 * All texts before the last thing done, by their paths then; undefined where one has changed since. The content of a
 * deleted file is taken from `base`.
 */
function textsBefore(
	{ history }: SiteState,
	now: Texts,
	base: Texts,
	moved: LastEdit['moved']
): Texts | undefined {
	const before = new Map<string, string>();
	for (const [path, text] of now) {
		const was = path === moved?.to ? moved.from : path;
		if (was === null) continue;
		const textBefore = history.before(path, text);
		if (textBefore === undefined) return undefined;
		before.set(was, textBefore);
	}
	const gone = moved?.to === null && moved.from !== null ? base.get(moved.from) : undefined;
	if (moved?.from && gone !== undefined) before.set(moved.from, gone);
	// Pictures and fonts are only available at their present paths.
	return moved?.to && moved.from && !now.has(moved.to) ? now : before;
}

/** The errands before the last thing done; those of `base` where they have changed in another way since. */
function errandsBefore({ history, kept, pathNow }: SiteState, base: Sources): readonly Errand[] {
	const { step, how } = history.last ?? {};
	const { errands: changes } = step ?? {};
	if (!changes) return kept.errand.list;
	const back = how === 'back' ? changes : errandsBack(changes);
	return changedErrands(kept.errand.list, back, pathNow) ?? base.errands;
}

/** The given pages whose errands make them other pages than before. */
function pagesAsked(site: SiteState, before: Sources, after: Sources): string[] {
	if (before.errands === after.errands) return [];
	return [...site.given].filter((path) => {
		const shown = ({ texts, errands }: Sources): string =>
			textWithErrands(site, path, texts.get(path) ?? '', errands);
		return after.texts.has(path) && shown(before) !== shown(after);
	});
}

/** What the last thing done changed; undefined where it changed nothing, or all is as it is in `base`. */
export function lastEdit(site: SiteState, base: Sources): LastEdit | undefined {
	const after = sourcesNow(site);
	const isNew =
		after.texts.size !== base.texts.size ||
		[...after.texts].some(([path, text]) => base.texts.get(path) !== text) ||
		pagesAsked(site, base, after).length > 0;
	if (!isNew) return undefined;
	const moved = lastMoved(site);
	const before = {
		texts: textsBefore(site, after.texts, base.texts, moved) ?? base.texts,
		errands: errandsBefore(site, base)
	};
	const changed = [...new Set([...before.texts.keys(), ...after.texts.keys()])].filter(
		(path) => before.texts.get(path) !== after.texts.get(path) && (path !== moved?.from || moved.to === null)
	);
	const files = [...new Set([...changed, ...pagesAsked(site, before, after)])];
	return files.length > 0 ? { before, after, files, moved } : undefined;
}

/** An edited page with its errands applied, as in frames. */
export function editedPage(
	site: SiteState,
	{ before, after, files, moved }: LastEdit,
	path: string
): EditedPage {
	const pathBefore = (path === moved?.to && moved.from) || path;
	const shown = ({ texts, errands }: Sources, at: string): Texts =>
		site.given.has(path)
			? new Map([...texts, [at, textWithErrands(site, path, texts.get(at) ?? '', errands)]])
			: texts;
	return { path, pathBefore, before: shown(before, pathBefore), after: shown(after, path), files };
}
