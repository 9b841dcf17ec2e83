import { json } from '@sveltejs/kit';
import { handler, siteId } from '$lib/server/api.ts';
import { addPicture, uploaded } from '$lib/server/pictures.ts';

/** Adds a picture under the path that `?path=` asks for. */
export const POST = handler(async (event) => {
	const path = event.url.searchParams.get('path') ?? '';
	return json(await addPicture(siteId(event), path, await uploaded(event.request)), { status: 201 });
});
