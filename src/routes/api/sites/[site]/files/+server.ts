import { json } from '@sveltejs/kit';
import { handler, siteId } from '$lib/server/api.ts';
import { addFile, uploaded } from '$lib/server/files.ts';

/** Adds a file under the path that `?path=` asks for. */
export const POST = handler(async (event) => {
	const path = event.url.searchParams.get('path') ?? '';
	return json(await addFile(siteId(event), path, await uploaded(event.request)), { status: 201 });
});
