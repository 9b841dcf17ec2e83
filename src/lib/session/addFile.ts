import type { FileChange } from '../api.ts';
import { api } from './api.ts';
import type { SiteState } from './site.svelte.ts';

/**
 * Adds a file to a site, under the requested path or a similar one that is free; returns its path, and what a step
 * that did it has to undo: nothing where the site already had the same file there.
 */
export async function addFile(
	site: SiteState,
	requested: string,
	content: Blob
): Promise<{ readonly path: string; readonly moved: FileChange | undefined }> {
	const known = new Set(site.files.map(({ path }) => path));
	const { path, hash } = await api.addFile(site.id, requested, content);
	await site.refresh();
	return { path, moved: known.has(path) ? undefined : { from: null, to: path, hash } };
}
