import {
	followedMove,
	readdressed,
	referencesOfPage,
	referencesOfSheet,
	withoutSheet
} from '$lib/core/site/index.ts';
import { counted, messageOf, refuse, type Edit, type Result } from '$lib/core/text/index.ts';
import { api } from '$lib/session/api.ts';
import { deskAsRead } from '$lib/session/desk.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';
import { add, newPath } from './newFile.ts';

/** What a change of a file means for others. */
export interface Following {
	/** What is written in them. */
	readonly edit: Edit;
	/** Those that go on asking for the file as it was. */
	readonly left: readonly string[];
}

/** The ending of a path, with its dot; '' where it has none. */
const endingOf = (path: string): string => /\.[^./]+$/.exec(path)?.[0].toLowerCase() ?? '';

/** A path that is entered for a file, with the file's ending; refused where another file has it. */
export const pathFor = (site: SiteState, path: string, entered: string): Result<string> =>
	newPath(site, entered, endingOf(path), path);

/** What follows where a file gets another path; `isMoved` where it has it already. */
export function followingRename(site: SiteState, from: string, to: string, isMoved = false): Following {
	const desk = deskAsRead(site);
	const left: string[] = [];
	let places = 0;
	for (const { path, kind } of site.texts.values()) {
		const was = isMoved && path === to ? from : path;
		const changes = followedMove(kind, desk.working.text(path) ?? '', was, { from, to }, site.parsers);
		if (changes.length === 0) continue;
		if (site.given.has(path)) left.push(path);
		else {
			desk.working.change(path, changes);
			places += changes.length;
		}
	}
	const words = places > 0 ? `, ${counted(places, 'reference')} changed` : '';
	return { edit: desk.working.edit(`${from} renamed to ${to}${words}`), left };
}

/** What follows where a file is taken away: links and imports of a sheet go with it. */
export function followingRemoval(site: SiteState, path: string): Following {
	const desk = deskAsRead(site);
	const left = [...site.texts.values()].flatMap((one) => {
		if (one.path === path) return [];
		const isGiven = site.given.has(one.path);
		const text = desk.working.text(one.path) ?? '';
		if (!isGiven) desk.working.change(one.path, withoutSheet(one.kind, text, one.path, path, site.parsers));
		const asks =
			one.kind === 'page'
				? referencesOfPage(site.parsers.page(text), one.path, { ...site.parsers, text: () => undefined })
				: referencesOfSheet(site.parsers.sheet(text), one.path);
		const isLeft = ({ kind, target }: (typeof asks)[number]): boolean =>
			target.kind === 'site' && target.path === path && (kind !== 'sheet' || isGiven);
		return asks.some(isLeft) ? [one.path] : [];
	});
	return { edit: desk.working.edit(`${path} deleted`), left };
}

/** Gives a file another path, with every address that leads to it or stands in it; false where that was refused. */
export async function rename(site: SiteState, from: string, to: string): Promise<boolean> {
	const moved = await site.saving.change({ from, to });
	if (moved) site.history.make(followingRename(site, from, to, true).edit, moved);
	return moved !== null;
}

/** Deletes a file, with what brings it into pages and sheets; false where that was refused. */
export async function remove(site: SiteState, path: string): Promise<boolean> {
	const { edit } = followingRemoval(site, path);
	const moved = await site.saving.change({ from: path, to: null });
	if (moved) site.history.make(edit, moved);
	return moved !== null;
}

/** Copies a file as it is now to another path; its addresses lead where they led. */
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
