import { json } from '@sveltejs/kit';
import { handler, siteId } from '$lib/server/api.ts';
import { uploaded } from '$lib/server/files.ts';
import { keepOriginal } from '$lib/server/pictures.ts';

export const POST = handler(async (event) =>
	json(await keepOriginal(siteId(event), await uploaded(event.request)), { status: 201 })
);
