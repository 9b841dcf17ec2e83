import { imageSize } from 'image-size';
import { lookup } from 'mrmime';
import type { AddedFile, PictureRecord } from '$lib/api.ts';
import { change } from './database.ts';
import { sortFiles } from './import/kinds.ts';
import { checkPath } from './import/entry.ts';
import { LIMITS, megabytes } from './import/limits.ts';
import { Blob, File, Revision } from './models.ts';
import { Problem } from './problem.ts';
import { keep, siteOf } from './sites.ts';

/** Pictures of pixels: one of lines may hold script, and is no picture of how a page looked. */
const RASTER = /^(png|jpg|gif|webp|avif)$/;

function sizeOf(bytes: Uint8Array): { width: number; height: number; type: string } {
	try {
		const { width, height, type = '' } = imageSize(bytes);
		return { width, height, type };
	} catch {
		throw new Problem(400, 'This is no picture that can be read; nothing was imported.');
	}
}

/** The bytes of a request, no more than a file may have. */
export async function uploaded(request: Request): Promise<Uint8Array> {
	const length = Number(request.headers.get('content-length') ?? 0);
	if (length > LIMITS.file) {
		throw new Problem(413, `The picture is larger than ${megabytes(LIMITS.file)}; nothing was imported.`);
	}
	const bytes = new Uint8Array(await request.arrayBuffer());
	if (bytes.length === 0) throw new Problem(400, 'No picture came with the upload.');
	return bytes;
}

/** Keeps the bytes of an Original. */
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

/** A path that no file of the site has: the requested one, with a number before its ending where it is taken. */
function freePath(requested: string, taken: ReadonlySet<string>): string {
	const [, stem = requested, ending = ''] = /^(.*?)(\.[^./]*)?$/.exec(requested) ?? [];
	for (let i = 1; ; i++) {
		const path = i === 1 ? requested : `${stem}-${i}${ending}`;
		if (!taken.has(path)) return path;
	}
}

/**
 * Adds a picture to a site as a revision of its own, under the path that is wanted or one like it that is free; the
 * same picture under the same path is there already.
 */
export async function addPicture(siteId: number, requested: string, bytes: Uint8Array): Promise<AddedFile> {
	const checked = checkPath(requested);
	if (!checked.ok)
		throw new Problem(400, `${requested || 'The picture'} was not imported: ${checked.sentence}.`);
	const sorted = (await sortFiles([{ path: requested, bytes }])).kinds[0];
	if (sorted?.kind !== 'picture') throw new Problem(400, `${requested} is no picture; it was not imported.`);
	const { kind, width, height } = sorted;
	return change(async (transaction) => {
		const site = await siteOf(siteId, transaction);
		const files = await File.findAll({ where: { siteId }, transaction });
		if (files.length >= LIMITS.files) throw new Problem(400, 'The site has as many files as it may have.');
		const hash = await keep(bytes, transaction);
		const same = files.find((file) => file.path === requested && file.hash === hash);
		const last = await Revision.max<number, Revision>('number', { where: { siteId }, transaction });
		if (same) return { path: requested, revision: last };
		const path = freePath(requested, new Set(files.map((file) => file.path)));
		await File.create({ siteId, path, kind, hash, size: bytes.length, width, height }, { transaction });
		const manifest = Object.fromEntries([...files.map((file) => [file.path, file.hash]), [path, hash]]);
		const revision = last + 1;
		await Revision.create({ siteId, number: revision, message: `${path} added`, manifest }, { transaction });
		site.changed('updatedAt', true);
		await site.save({ transaction });
		return { path, revision };
	});
}
