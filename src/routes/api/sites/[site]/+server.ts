import { json } from '@sveltejs/kit';
import { handler, siteId } from '$lib/server/api.ts';
import { deleteSite, readSite } from '$lib/server/sites.ts';

export const GET = handler(async (event) => json(await readSite(siteId(event))));

export const DELETE = handler(async (event) => {
	await deleteSite(siteId(event));
	return new Response(null, { status: 204 });
});
