import { handler, siteId } from '$lib/server/api.ts';
import { HOST_PAGE, HOST_SCRIPT, hostPage, hostScript, siteFile } from '$lib/server/stage.ts';

/** Serves a stage: its own page and script, and the site's files. Nothing else. */
export const GET = handler(async (event) => {
	const path = event.params.path ?? '';
	const site = siteId(event);
	if (path === HOST_PAGE) return hostPage(event.request, event.url);
	if (path === HOST_SCRIPT) return hostScript();
	return siteFile(site, path, event.request);
});
