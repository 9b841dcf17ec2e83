import { Op } from 'sequelize';
import type { RevisionRecord } from '$lib/api.ts';
import { decodeText } from '$lib/core/text/index.ts';
import { codec } from './codec.ts';
import { Blob, File, Revision } from './models.ts';
import { Problem } from './problem.ts';
import { isText, siteOf } from './sites.ts';

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

/** The texts of pages and sheets as a revision has them, by path. */
export async function textsOf(siteId: number, number: number): Promise<Record<string, string>> {
	await siteOf(siteId);
	const revision = await Revision.findOne({ where: { siteId, number } });
	if (!revision) throw new Problem(404, `This site has no revision ${number}.`);
	const files = await File.findAll({ where: { siteId } });
	const manifest = new Map(Object.entries(revision.manifest));
	const wanted = files.flatMap(({ path, kind }) => {
		const hash = isText(kind) ? manifest.get(path) : undefined;
		return hash === undefined ? [] : [{ path, hash }];
	});
	const blobs = await Blob.findAll({ where: { hash: { [Op.in]: wanted.map(({ hash }) => hash) } } });
	const texts = new Map(blobs.map(({ hash, bytes }) => [hash, decodeText(bytes, codec).text]));
	return Object.fromEntries(wanted.map(({ path, hash }) => [path, texts.get(hash) ?? '']));
}
