import { json } from '@sveltejs/kit';
import { measurementSchema } from '$lib/core/wake/hold.ts';
import { handler, siteId } from '$lib/server/api.ts';
import { keepMeasurement } from '$lib/server/measurements.ts';
import { body } from '$lib/server/problem.ts';

export const POST = handler(async (event) =>
	json(await keepMeasurement(siteId(event), await body(event.request, measurementSchema)), { status: 201 })
);
