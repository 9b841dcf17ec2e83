import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { handler, siteId } from '$lib/server/api.ts';
import { body } from '$lib/server/problem.ts';
import { saveSite } from '$lib/server/sites.ts';

const save = z.object({
	tab: z.string().min(1).max(100),
	message: z.string().max(500).default('Saved'),
	files: z
		.array(
			z.object({
				path: z.string().min(1).max(500),
				base: z.string().length(64),
				text: z.string().max(32_000_000)
			})
		)
		.min(1)
		.max(2000)
});

export const POST = handler(async (event) =>
	json(await saveSite(siteId(event), await body(event.request, save)))
);
