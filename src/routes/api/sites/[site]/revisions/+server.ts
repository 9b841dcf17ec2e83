import { json } from '@sveltejs/kit';
import { handler, siteId } from '$lib/server/api.ts';
import { listRevisions } from '$lib/server/revisions.ts';

export const GET = handler(async (event) => json(await listRevisions(siteId(event))));
