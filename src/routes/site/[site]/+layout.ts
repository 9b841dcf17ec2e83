import { error } from '@sveltejs/kit';
import { Refused } from '$lib/http.ts';
import { api } from '$lib/session/api.ts';
import { editorExtensions } from '$lib/editor/extensions.ts';
import { SiteState } from '$lib/session/site.svelte.ts';

let open: SiteState | undefined;

export const load = async ({ params }) => {
	const id = Number(params.site);
	const sites = api.sites();
	sites.catch(() => undefined);
	try {
		if (open?.id !== id || open.isClosed) {
			open?.close();
			open = await SiteState.open(id, editorExtensions);
		}
		return { site: open, sites: await sites };
	} catch (problem) {
		open = undefined;
		if (problem instanceof Refused) error(problem.status || 503, problem.message);
		throw problem;
	}
};
