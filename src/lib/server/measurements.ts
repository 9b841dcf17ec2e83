import { measurementSchema, type Measurement } from '$lib/core/wake/hold.ts';
import { change } from './database.ts';
import { Blob } from './models.ts';
import { checked, Problem } from './problem.ts';
import { keep, siteOf } from './sites.ts';

/** Stores the measurement of a page for a Hold; identified by its hash from then on. */
export async function keepMeasurement(siteId: number, measurement: Measurement): Promise<{ hash: string }> {
	const bytes = new TextEncoder().encode(JSON.stringify(measurement));
	return change(async (transaction) => {
		await siteOf(siteId, transaction);
		return { hash: await keep(bytes, transaction) };
	});
}

export async function readMeasurement(siteId: number, hash: string): Promise<Measurement> {
	await siteOf(siteId);
	const missing = new Problem(404, 'There is no such measurement.');
	const blob = await Blob.findByPk(hash);
	if (!blob) throw missing;
	try {
		return checked(measurementSchema, JSON.parse(blob.bytes.toString()));
	} catch {
		throw missing;
	}
}
