import { printPaths, type ElementPath } from '$lib/core/html/index.ts';

/** The address of a screen of a site, with a page, a file beside it ('' for none) and selected elements. */
export function screenAddress(
	site: number,
	screen: string,
	page: string,
	file: string,
	at: readonly ElementPath[]
): string {
	const query = new URLSearchParams({ page });
	if (file) query.set('file', file);
	if (at.length > 0) query.set('at', printPaths(at));
	return `/site/${site}/${screen}?${query.toString()}`;
}
