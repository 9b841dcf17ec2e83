import { Facet, type EditorState } from '@codemirror/state';
import type { SiteState } from '../session/site.svelte.ts';

/** The site and path of an editor's text. */
export interface EditorHost {
	readonly site: SiteState;
	readonly path: string;
}

/** What an editor's extensions know about their surroundings. */
export const editorHost = Facet.define<EditorHost, EditorHost | null>({ combine: ([host = null]) => host });

/** The site and path of an editor's text. */
export function hostOf(state: EditorState): EditorHost {
	const host = state.facet(editorHost);
	if (!host) throw new Error('The editor has no site.');
	return host;
}
