import type { AddedFile } from '$lib/api.ts';
import { change } from './database.ts';
import { checkPath } from './import/entry.ts';
import { sortFiles } from './import/kinds.ts';
import { LIMITS, megabytes } from './import/limits.ts';
import { File, Revision } from './models.ts';
import { Problem } from './problem.ts';
import { keep, siteOf } from './sites.ts';

/** The bytes of a request, no more than a file may have. */
export async function uploaded(request: Request): Promise<Uint8Array> {
	const length = Number(request.headers.get('content-length') ?? 0);
	if (length > LIMITS.file) {
		throw new Problem(413, `The file is larger than ${megabytes(LIMITS.file)}; nothing was imported.`);
	}
	const bytes = new Uint8Array(await request.arrayBuffer());
	// Without a type of content the body is not read.
	if (bytes.length !== length)
		throw new Problem(400, 'The upload was cut off or has no content type; nothing was imported.');
	return bytes;
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
 * Adds a file to a site as a revision of its own, under the path that is wanted or one like it that is free; the
 * same file under the same path is there already.
 *
 * @throws {Problem} 400 for a path or a file that no site may have
 */
export async function addFile(siteId: number, requested: string, bytes: Uint8Array): Promise<AddedFile> {
	const checked = checkPath(requested);
	if (!checked.ok) throw new Problem(400, `${requested || 'The file'} was not added: ${checked.sentence}.`);
	const [sorted] = (await sortFiles([{ path: requested, bytes }])).kinds;
	if (!sorted) throw new Problem(400, `${requested} was not added: it cannot be read.`);
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
