import { readdressed, type FileMove } from '$lib/core/site/index.ts';
import { counted, messageOf, refuse, type Edit, type Result } from '$lib/core/text/index.ts';
import { api } from '$lib/session/api.ts';
import { reader } from '$lib/session/reader.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { add, newPath } from './newFile.ts';

/** What renaming or deleting a file means for others. */
export interface Following {
	/** The changes in them, by their paths before. */
	readonly edit: Edit;
	/** Files that will still refer to the old path. */
	readonly left: readonly string[];
	/** Whether the texts are still those that this was read from. */
	readonly isAsRead: () => boolean;
}

/** The ending of a path, with its dot; '' where it has none. */
const endingOf = (path: string): string => /\.[^./]+$/.exec(path)?.[0].toLowerCase() ?? '';

/** A path entered for a file, with the file's ending; refused where another file has it. */
export const pathFor = (site: SiteState, path: string, entered: string): Result<string> =>
	newPath(site, entered, endingOf(path), path);

/**
 * The consequences of giving a file another path or deleting it, for the present texts; `isMade` where that is done
 * already.
 */
export async function following(site: SiteState, move: FileMove, isMade = false): Promise<Following> {
	const files = [...site.texts.values()].map((file) => {
		file.settle();
		const { path, kind, latest: text } = file;
		return { file, path: isMade && path === move.to ? move.from : path, kind, text };
	});
	const texts = new Map(files.map(({ path, text }) => [path, text]));
	const pages = new Set(files.flatMap(({ path, kind }) => (kind === 'page' ? [path] : [])));
	const given = new Set(files.flatMap(({ path, file }) => (site.given.has(file.path) ? [path] : [])));
	const found = await reader.followed(texts, pages, move);
	const changed = found.filter(({ path, changes }) => changes.length > 0 && !given.has(path));
	const places = changed.reduce((sum, { changes }) => sum + changes.length, 0);
	const more = places > 0 ? `, ${counted(places, 'reference')} changed` : '';
	return {
		edit: {
			sentence: move.to === null ? `${move.from} deleted` : `${move.from} renamed to ${move.to}${more}`,
			files: changed.map(({ path, changes }) => ({ path, changes }))
		},
		left: found.filter(({ path, asks }) => asks || given.has(path)).map(({ path }) => path),
		isAsRead: () =>
			files.every(({ path, text }) => {
				const now = site.texts.get(path === move.from && !site.texts.has(path) ? (move.to ?? path) : path);
				return !now || now.latest === text;
			})
	};
}

/**
 * Renames or deletes a file, with every address that leads to it or is in it updated, as one step; false where that
 * was refused.
 */
export async function change(site: SiteState, move: FileMove): Promise<boolean> {
	let { edit, isAsRead } = await following(site, move);
	const made = await site.saving.change(move);
	if (!made) return false;
	// Another tab may have edited meanwhile.
	while (!isAsRead()) ({ edit, isAsRead } = await following(site, move, true));
	const files = edit.files.map(({ path, changes }) => ({
		path: path === move.from ? (move.to ?? path) : path,
		changes
	}));
	site.history.make({ ...edit, files }, made);
	return true;
}

/** Copies the present file to another path; its addresses keep their targets. */
export async function copy(site: SiteState, from: string, to: string): Promise<Result<string>> {
	try {
		const file = site.texts.get(from);
		const content = file
			? new Blob([readdressed(file.kind, file.latest, { from, to }, site.parsers)])
			: await api.content(site.id, from);
		return await add(site, to, content, (added) => ({ sentence: `${from} copied to ${added}`, files: [] }));
	} catch (error) {
		return refuse(messageOf(error));
	}
}
