import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { handler, siteId } from '$lib/server/api.ts';
import { addFile, changeFile, uploaded } from '$lib/server/files.ts';
import { body } from '$lib/server/problem.ts';

/** Adds a file under the path in `?path=`. */
export const POST = handler(async (event) => {
	const path = event.url.searchParams.get('path') ?? '';
	return json(await addFile(siteId(event), path, await uploaded(event.request)), { status: 201 });
});

const path = z.string().max(1000).nullable();
const changes = z.object({ from: path, to: path, hash: z.string().length(64) });

/** Renames, deletes or restores a file. */
export const PATCH = handler(async (event) =>
	json(await changeFile(siteId(event), await body(event.request, changes)))
);
