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
		const changes = followedMove(kind, desk.working.text(path) ?? '', was, { from, to });
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
		if (!isGiven) desk.working.change(one.path, withoutSheet(one.kind, text, one.path, path));
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
	const moved = { from, to, hash: hashOf(site, from) };
	if (!(await site.saving.change(moved))) return false;
	site.history.make(followingRename(site, from, to, true).edit, moved);
	return true;
}

/** Deletes a file, with what brings it into pages and sheets; false where that was refused. */
export async function remove(site: SiteState, path: string): Promise<boolean> {
	const moved = { from: path, to: null, hash: hashOf(site, path) };
	const { edit } = followingRemoval(site, path);
	if (!(await site.saving.change(moved))) return false;
	site.history.make(edit, moved);
	return true;
}

const hashOf = (site: SiteState, path: string): string =>
	site.texts.get(path)?.base ?? site.files.find((file) => file.path === path)?.hash ?? '';

/** Copies a file as it is now to another path; its addresses lead where they led. */
export async function copy(site: SiteState, from: string, to: string): Promise<Result<string>> {
	try {
		const file = site.texts.get(from);
		const content = file
			? new Blob([readdressed(file.kind, file.latest, { from, to })])
			: await api.content(site.id, from);
		return await add(site, to, content, (added) => ({ sentence: `${from} copied to ${added}`, files: [] }));
	} catch (error) {
		return refuse(messageOf(error));
	}
}
