import { json } from '@sveltejs/kit';
import { handler } from '$lib/server/api.ts';
import { supportTable } from '$lib/server/support.ts';

export const GET = handler(() =>
	Promise.resolve(json(supportTable(), { headers: { 'cache-control': 'private, max-age=86400' } }))
);
