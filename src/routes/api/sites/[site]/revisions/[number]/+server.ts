import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { handler, siteId } from '$lib/server/api.ts';
import { checked } from '$lib/server/problem.ts';
import { textsOf } from '$lib/server/revisions.ts';

const number = z.coerce.number('a revision is named by its number').int().positive();

export const GET = handler(async (event) =>
	json(await textsOf(siteId(event), checked(number, event.params.number)))
);
