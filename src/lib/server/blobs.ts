import { QueryTypes, type Transaction } from 'sequelize';
import { change, database } from './database.ts';

/** How long an unreferenced blob is kept, ms: an open tab may restore what was deleted. */
const GRACE = 24 * 3600 * 1000;

/** Every reference to a blob, with the site: of files, revisions, Originals and measurements for Holds. */
const NAMED = `
	SELECT siteId, hash FROM file
	UNION SELECT siteId, value FROM revision, json_each(revision.manifest)
	UNION SELECT siteId, json_extract(fields, '$.hash') FROM kept WHERE kind = 'original'
	UNION SELECT siteId, json_extract(fields, '$.measurement') FROM kept WHERE kind = 'hold'`;

/** The hashes of the blobs that a site refers to. */
export async function blobsOf(site: number, transaction: Transaction): Promise<string[]> {
	const sequelize = await database();
	const rows = await sequelize.query<{ hash: string }>(
		`SELECT DISTINCT hash FROM (${NAMED}) WHERE siteId = :site`,
		{ replacements: { site }, type: QueryTypes.SELECT, transaction }
	);
	return rows.map(({ hash }) => hash);
}

/** Marks those of some blobs that are no longer referenced. */
export async function dropUnnamed(hashes: readonly string[], transaction: Transaction): Promise<void> {
	const sequelize = await database();
	await sequelize.query(
		`DELETE FROM blob WHERE hash IN (SELECT value FROM json_each(:hashes)) AND hash NOT IN (SELECT hash FROM (${NAMED}))`,
		{ replacements: { hashes: JSON.stringify(hashes) }, transaction }
	);
}

/** Deletes blobs that have been unreferenced for a day; `now` in ms since 1970. */
export const sweepBlobs = (now = Date.now()): Promise<void> =>
	change(async (transaction) => {
		const sequelize = await database();
		const run = (sql: string): Promise<unknown> =>
			sequelize.query(sql, { replacements: { now, until: now - GRACE }, transaction });
		await run(`DELETE FROM unnamed WHERE hash IN (SELECT hash FROM (${NAMED}))`);
		await run(
			`INSERT OR IGNORE INTO unnamed SELECT hash, :now FROM blob WHERE hash NOT IN (SELECT hash FROM (${NAMED}))`
		);
		await run('DELETE FROM blob WHERE hash IN (SELECT hash FROM unnamed WHERE since <= :until)');
		await run('DELETE FROM unnamed WHERE hash NOT IN (SELECT hash FROM blob)');
	});
