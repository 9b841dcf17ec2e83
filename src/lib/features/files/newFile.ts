import { attribute, elementAt, parsePage, type Page } from '$lib/core/html/index.ts';
import { exchange, insertSheet, type SheetPlace } from '$lib/core/html/edit/index.ts';
import { readdressed, relativeAddress, sheetsOfPage } from '$lib/core/site/index.ts';
import { counted, done, messageOf, refuse, type Edit, type Result } from '$lib/core/text/index.ts';
import { addFile } from '$lib/session/addFile.ts';
import type { Picked } from '$lib/session/bring.ts';
import { deskOf } from '$lib/session/desk.ts';
import type { SiteState } from '$lib/session/site.svelte.ts';

/** Where a sheet is linked among those of a page: at an end, or after the sheet with a path. */
export type LinkPlace = 'first' | 'last' | { readonly after: string };

/** The folder of a path, with a slash at its end; '' for the root. */
export const folderOf = (path: string): string => path.slice(0, path.lastIndexOf('/') + 1);

const tagOf = (path: string, page: string): string =>
	`<link rel="stylesheet" href="${relativeAddress(path, page)}">`;

/** A valid path for a file with an ending; refused where the site has another such file, or where it names none. */
export function newPath(site: SiteState, entered: string, ending: string, own = ''): Result<string> {
	const name = entered.trim().replace(/^\/+/, '');
	if (name === '' || name.endsWith('/')) return refuse('Give the file a name.');
	const path = name.toLowerCase().endsWith(ending) ? name : name + ending;
	return site.files.some((file) => file.path !== own && file.path.toLowerCase() === path.toLowerCase())
		? refuse(`There is already a file ${path}.`)
		: done(path);
}

/** The place of a link in one page; at the end where the page does not use the sheet that it is to follow. */
function placeIn(page: Page, path: string, place: LinkPlace): SheetPlace {
	if (typeof place === 'string') return place;
	const use = sheetsOfPage(page, path).findLast(
		({ from }) => from.kind === 'file' && from.path === place.after
	);
	const after = use && elementAt(page, use.element);
	return after ? { after } : 'last';
}

/** Adds an element to pages, except those that are given. */
function withElement(
	site: SiteState,
	pages: readonly string[],
	{ what, markup, place }: { what: string; markup: (page: string) => string; place: LinkPlace }
): Edit {
	const desk = deskOf(site);
	const ours = pages.filter((path) => !site.given.has(path));
	for (const path of ours) {
		const page = parsePage(desk.working.text(path) ?? '');
		desk.working.change(path, insertSheet(page, markup(path), placeIn(page, path, place)));
	}
	return desk.working.edit(ours.length > 0 ? `${what} in ${counted(ours.length, 'page')}` : what);
}

/** Adds a file to the site, as a step; `edit` returns what else the step does, given the file's path. */
export async function add(
	site: SiteState,
	path: string,
	content: Blob,
	edit: (path: string) => Edit = (added) => ({ sentence: `${added} added`, files: [] })
): Promise<Result<string>> {
	try {
		const added = await addFile(site, path, content);
		site.history.make(edit(added.path), added.moved);
		return done(added.path);
	} catch (error) {
		return refuse(messageOf(error));
	}
}

/** Adds an empty sheet and links it in pages; returns its path. */
export async function addSheet(
	site: SiteState,
	entered: string,
	pages: readonly string[],
	place: LinkPlace
): Promise<Result<string>> {
	const path = newPath(site, entered, '.css');
	if (!path.ok) return path;
	return add(site, path.value, new Blob([]), (added) =>
		withElement(site, pages, {
			what: `${added} added${pages.length > 0 ? ' and linked' : ''}`,
			markup: (page) => tagOf(added, page),
			place
		})
	);
}

/** Adds an empty `<style>` to a page that is not given. */
export function addStyle(site: SiteState, page: string): void {
	const markup = (): string => '<style>\n</style>';
	site.history.make(withElement(site, [page], { what: 'A style element', markup, place: 'last' }));
}

/** An empty page with the language and the sheets of another. */
function emptyPage(path: string, like: { readonly path: string; readonly page: Page }): string {
	const lang = attribute(like.page.root, 'lang') ?? 'en';
	const title = path.replace(/^.*\//, '').replace(/\.\w+$/, '');
	const sheets = sheetsOfPage(like.page, like.path).flatMap(({ from }) =>
		from.kind === 'file' ? [`\t${tagOf(from.path, path)}\n`] : []
	);
	return `<!doctype html>
<html lang="${lang}">
<head>
	<meta charset="utf-8">
	<meta name="viewport" content="width=device-width, initial-scale=1">
	<title>${title}</title>
${sheets.join('')}</head>
<body>
</body>
</html>
`;
}

/** Adds a page: empty, or a copy of another, whose addresses keep their targets. */
export async function addPage(
	site: SiteState,
	entered: string,
	{ like, isCopy }: { like: { readonly path: string; readonly page: Page }; isCopy: boolean }
): Promise<Result<string>> {
	const path = newPath(site, entered, '.html');
	if (!path.ok) return path;
	const text = isCopy
		? readdressed(
				'page',
				site.texts.get(like.path)?.latest ?? '',
				{ from: like.path, to: path.value },
				site.parsers
			)
		: emptyPage(path.value, like);
	return add(site, path.value, new Blob([text]));
}

/** Exchanges a page's sheet at an index, in the page's order, with the previous one, as one step. */
export function exchangeSheets(site: SiteState, path: string, index: number): void {
	const desk = deskOf(site);
	const page = parsePage(desk.working.text(path) ?? '');
	const uses = sheetsOfPage(page, path);
	const [a, b] = [index - 1, index].map((i) => uses[i] && elementAt(page, uses[i].element));
	if (!a || !b) return;
	desk.working.change(path, exchange(page, a, b));
	site.history.make(desk.working.edit('Two sheets exchanged'));
}

/** Adds files of this computer to a folder of the site (`img/`; '' for the root); returns their paths. */
export async function addFiles(
	site: SiteState,
	folder: string,
	files: readonly Picked[]
): Promise<Result<readonly string[]>> {
	const paths: string[] = [];
	for (const { path: name, file } of files) {
		const path = `${folder.replace(/^\/+|\/+$/g, '')}/${name}`.replace(/^\//, '');
		const added = await add(site, path, file);
		if (!added.ok)
			return paths.length === 0
				? added
				: refuse(`${added.sentence} ${counted(paths.length, 'file')} before it came in.`);
		paths.push(added.value);
	}
	return done(paths);
}
