import type { Transaction } from 'sequelize';
import { File, Revision, type Site } from './models.ts';

/** The number of a site's newest revision. */
export const lastRevision = (siteId: number, transaction: Transaction): Promise<number> =>
	Revision.max<number, Revision>('number', { where: { siteId }, transaction });

/** Adds a revision of a site with its present files; returns its number. */
export async function newRevision(site: Site, message: string, transaction: Transaction): Promise<number> {
	const files = await File.findAll({ where: { siteId: site.id }, transaction });
	const number = 1 + (await lastRevision(site.id, transaction));
	const manifest = Object.fromEntries(files.map(({ path, hash }) => [path, hash]));
	await Revision.create({ siteId: site.id, number, message, manifest }, { transaction });
	site.changed('updatedAt', true);
	await site.save({ transaction });
	return number;
}
