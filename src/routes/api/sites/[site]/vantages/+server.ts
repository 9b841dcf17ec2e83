import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { vantageSchema } from '$lib/core/vantage/index.ts';
import { handler, siteId } from '$lib/server/api.ts';
import { body } from '$lib/server/problem.ts';
import { keepVantages } from '$lib/server/vantages.ts';

const requests = z.object({
	base: z.string().length(64),
	vantages: z
		.array(
			z.object({
				id: z.number().int().positive().optional(),
				chorus: z.boolean(),
				fields: vantageSchema
			})
		)
		.max(40)
});

export const PUT = handler(async (event) => {
	const { base, vantages } = await body(event.request, requests);
	return json(await keepVantages(siteId(event), base, vantages));
});
