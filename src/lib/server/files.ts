import type { Transaction } from 'sequelize';
import type { AddedFile, FileChange } from '$lib/api.ts';
import { change } from './database.ts';
import { checkPath } from './import/entry.ts';
import { sortFiles } from './import/kinds.ts';
import { LIMITS, megabytes } from './import/limits.ts';
import { Blob, Draft, File, Kept, Revision } from './models.ts';
import { Problem } from './problem.ts';
import { lastRevision, newRevision } from './newRevision.ts';
import { keep, siteOf } from './sites.ts';

/** The bytes of a request, up to the maximum size of a file. */
export async function uploaded(request: Request): Promise<Uint8Array> {
	const length = Number(request.headers.get('content-length') ?? 0);
	if (length > LIMITS.file) {
		throw new Problem(413, `The file is larger than ${megabytes(LIMITS.file)}; nothing was imported.`);
	}
	const bytes = new Uint8Array(await request.arrayBuffer());
	// Without a content type the body is not read.
	if (bytes.length !== length)
		throw new Problem(400, 'The upload was cut off or has no content type; nothing was imported.');
	return bytes;
}

/** A path that is free on the site: the requested one, with a number before its ending where it is taken. */
function freePath(requested: string, taken: ReadonlySet<string>): string {
	const [, stem = requested, ending = ''] = /^(.*?)(\.[^./]*)?$/.exec(requested) ?? [];
	for (let i = 1; ; i++) {
		const path = i === 1 ? requested : `${stem}-${i}${ending}`;
		if (!taken.has(path)) return path;
	}
}

/**
 * Adds a file to a site as a revision of its own, under the requested path or a similar one that is free; if the
 * same file is already under that path, nothing is added.
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
		const path = same ? requested : freePath(requested, new Set(files.map((file) => file.path)));
		if (!same)
			await File.create({ siteId, path, kind, hash, size: bytes.length, width, height }, { transaction });
		const revision = same
			? await lastRevision(siteId, transaction)
			: await newRevision(site, `${path} added`, transaction);
		return { path, revision, hash };
	});
}

/** Replaces a file's path by another in everything stored with a site. */
async function renameInKept(
	siteId: number,
	from: string,
	to: string,
	transaction: Transaction
): Promise<void> {
	for (const row of await Kept.findAll({ where: { siteId }, transaction })) {
		const fields = row.fields as { page?: unknown; path?: unknown };
		const named = {
			...(fields.page === from ? { page: to } : {}),
			...(fields.path === from ? { path: to } : {})
		};
		if (Object.keys(named).length > 0)
			await row.update({ fields: { ...row.fields, ...named } as typeof row.fields }, { transaction });
	}
}

/**
 * Renames a file of a site (along with its drafts and what is stored about it), deletes it (`to` is null), or
 * restores what a revision had (`from` is null), as a revision of its own.
 *
 * @throws {Problem} 400 for a path that no site may have, 404 where the file does not exist, 409 where it has changed
 * or the path is taken
 */
export async function changeFile(siteId: number, { from, to, hash }: FileChange): Promise<AddedFile> {
	const checked = to === null ? null : checkPath(to);
	if (checked?.ok === false) throw new Problem(400, `${to} cannot be a path: ${checked.sentence}.`);
	return change(async (transaction) => {
		const site = await siteOf(siteId, transaction);
		const files = await File.findAll({ where: { siteId }, transaction });
		const taken =
			to !== null && files.some(({ path }) => path.toLowerCase() === to.toLowerCase() && path !== from);
		if (taken) throw new Problem(409, `There is already a file ${to}; nothing was changed.`);
		const file = files.find(({ path }) => path === from);
		if (from !== null) {
			if (!file) throw new Problem(404, `This site has no file "${from}"; nothing was changed.`);
			if (file.hash !== hash)
				throw new Problem(409, `${from} was saved elsewhere since; nothing was changed.`);
		}
		const drafts = { where: { siteId, path: from ?? '' }, transaction };
		if (file && to !== null) {
			await renameInKept(siteId, file.path, to, transaction);
			await file.update({ path: to }, { transaction });
			await Draft.update({ path: to }, drafts);
		} else if (file) {
			await file.destroy({ transaction });
			await Draft.destroy(drafts);
		} else if (to !== null) await bringBack(siteId, to, hash, transaction);
		const message =
			from === null ? `${to} brought back` : to === null ? `${from} deleted` : `${from} renamed to ${to}`;
		return { path: to ?? from ?? '', revision: await newRevision(site, message, transaction), hash };
	});
}

/** Restores a file that a revision of the site had. */
async function bringBack(
	siteId: number,
	path: string,
	hash: string,
	transaction: Transaction
): Promise<void> {
	const revisions = await Revision.findAll({ where: { siteId }, transaction });
	const blob = revisions.some(({ manifest }) => Object.values(manifest).includes(hash))
		? await Blob.findByPk(hash, { transaction })
		: null;
	if (!blob) throw new Problem(404, `No revision of this site has what ${path} held; nothing was changed.`);
	const [sorted] = (await sortFiles([{ path, bytes: blob.bytes }])).kinds;
	if (!sorted) throw new Problem(400, `${path} cannot be read; nothing was changed.`);
	const { kind, width, height } = sorted;
	await File.create({ siteId, path, kind, hash, size: blob.bytes.length, width, height }, { transaction });
}
