import { json } from '@sveltejs/kit';
import { handler, siteId } from '$lib/server/api.ts';
import { readMeasurement } from '$lib/server/measurements.ts';

export const GET = handler(async (event) =>
	json(await readMeasurement(siteId(event), event.params.hash ?? ''))
);
