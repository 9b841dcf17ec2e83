import { imageSize } from 'image-size';
import { lookup } from 'mrmime';
import type { PictureRecord } from '$lib/api.ts';
import { change } from './database.ts';
import { Blob } from './models.ts';
import { Problem } from './problem.ts';
import { keep, siteOf } from './sites.ts';

/** Raster formats only: a vector picture may contain scripts, and is no picture of how a page looked. */
const RASTER = /^(png|jpg|gif|webp|avif)$/;

function sizeOf(bytes: Uint8Array): { width: number; height: number; type: string } {
	try {
		const { width, height, type = '' } = imageSize(bytes);
		return { width, height, type };
	} catch {
		throw new Problem(400, 'This is no picture that can be read; nothing was imported.');
	}
}

/** Stores the bytes of an Original. */
export async function keepOriginal(siteId: number, bytes: Uint8Array): Promise<PictureRecord> {
	const { width, height, type } = sizeOf(bytes);
	if (!RASTER.test(type)) {
		throw new Problem(400, `An Original is a PNG, JPEG, GIF, WebP or AVIF; this is ${type || 'none'}.`);
	}
	return change(async (transaction) => {
		await siteOf(siteId, transaction);
		return { hash: await keep(bytes, transaction), width, height };
	});
}

/** The bytes of an Original, with their type. */
export async function readOriginal(
	siteId: number,
	hash: string
): Promise<{ bytes: Uint8Array; type: string }> {
	await siteOf(siteId);
	const blob = await Blob.findByPk(hash);
	const type = blob ? sizeOf(blob.bytes).type : '';
	if (!blob || !RASTER.test(type)) throw new Problem(404, 'There is no such Original.');
	return { bytes: blob.bytes, type: lookup(type) ?? 'application/octet-stream' };
}
