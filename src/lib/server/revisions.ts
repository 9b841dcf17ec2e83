import { Op } from 'sequelize';
import type { RevisionRecord } from '$lib/api.ts';
import { Blob, File, Revision } from './models.ts';
import { Problem } from './problem.ts';
import { isText, siteOf } from './sites.ts';
import { textOf } from './texts.ts';

/** A site's revisions, the newest first. */
export async function listRevisions(siteId: number): Promise<RevisionRecord[]> {
	await siteOf(siteId);
	const revisions = await Revision.findAll({ where: { siteId }, order: [['number', 'DESC']] });
	return revisions.map(({ number, message, createdAt }) => ({
		number,
		message,
		at: createdAt.toISOString()
	}));
}

/** The texts of pages and sheets in a revision, by path. */
export async function textsOf(siteId: number, number: number): Promise<Record<string, string>> {
	await siteOf(siteId);
	const revision = await Revision.findOne({ where: { siteId, number } });
	if (!revision) throw new Problem(404, `This site has no revision ${number}.`);
	const files = await File.findAll({ where: { siteId } });
	const manifest = new Map(Object.entries(revision.manifest));
	const wanted = files.flatMap((file) => {
		const hash = isText(file.kind) ? manifest.get(file.path) : undefined;
		return hash === undefined ? [] : [{ file, hash }];
	});
	const blobs = await Blob.findAll({ where: { hash: { [Op.in]: wanted.map(({ hash }) => hash) } } });
	const bytes = new Map(blobs.map((blob) => [blob.hash, blob.bytes]));
	return Object.fromEntries(
		wanted.map(({ file, hash }) => {
			const held = bytes.get(hash);
			return [file.path, held ? textOf(file, hash, held).text : ''];
		})
	);
}
