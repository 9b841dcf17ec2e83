import { json } from '@sveltejs/kit';
import { handler, siteId } from '$lib/server/api.ts';
import { keepList, keptBody, keptKind } from '$lib/server/kept.ts';
import { body, checked } from '$lib/server/problem.ts';

export const PUT = handler(async (event) => {
	const kind = checked(keptKind, event.params.kind);
	const { base, list } = await body(event.request, keptBody(kind));
	return json(await keepList(siteId(event), kind, base, list));
});
