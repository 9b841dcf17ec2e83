import { z } from 'zod';
import { handler, siteId } from '$lib/server/api.ts';
import { body, checked } from '$lib/server/problem.ts';
import { dropDraft, keepDraft } from '$lib/server/sites.ts';

const place = z.object({ path: z.string().min(1).max(500), tab: z.string().min(1).max(100) });
const draft = place.extend({
	base: z.string().length(64),
	text: z.string().max(32_000_000),
	caret: z.number().int().nonnegative()
});

const done = (): Response => new Response(null, { status: 204 });

export const PUT = handler(async (event) => {
	await keepDraft(siteId(event), await body(event.request, draft));
	return done();
});

export const DELETE = handler(async (event) => {
	const { path, tab } = checked(place, Object.fromEntries(event.url.searchParams));
	await dropDraft(siteId(event), path, tab);
	return done();
});
