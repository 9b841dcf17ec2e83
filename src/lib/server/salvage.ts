import { renameSync } from 'node:fs';
import type { Sequelize } from 'sequelize';
import { ofRows } from './migrations/index.ts';
import { codeOf } from './trouble.ts';

/** Tables in order of their dependencies. */
const TABLES = ['site', 'blob', 'file', 'revision', 'draft', 'vantage', 'kept'] as const;

/** Whether a database can be read completely. */
export async function isSound(sequelize: Sequelize): Promise<boolean> {
	try {
		const [rows] = await sequelize.query('PRAGMA quick_check(1)');
		return (rows as { quick_check?: string }[])[0]?.quick_check === 'ok';
	} catch (error) {
		if (/^SQLITE_(CORRUPT|NOTADB)/.test(codeOf(error))) return false;
		throw error;
	}
}

/** Renames a database file, with the files that belong to it; returns the new name. */
export function setAside(storage: string): string {
	const stamp = new Date().toISOString().replace(/[:.]/g, '-');
	const to = storage.replace(/\.sqlite$/, `-damaged-${stamp}.sqlite`);
	renameSync(storage, to);
	for (const ending of ['-wal', '-shm']) {
		try {
			renameSync(storage + ending, to + ending);
		} catch {
			// It need not exist.
		}
	}
	return to;
}

/** The largest number of ranges of rows tried for each table. */
const MOST_TRIED = 20_000;

/** Copies the readable rows of a damaged database to a new one; returns how many of each kind. */
export async function salvage(
	sequelize: Sequelize,
	damaged: string
): Promise<{ readonly sites: number; readonly files: number }> {
	const run = (sql: string): Promise<unknown[]> => sequelize.query(sql).then(([rows]) => rows as unknown[]);
	const count = async (table: string): Promise<number> =>
		((await run(`SELECT count(*) AS n FROM ${table}`)) as { n: number }[])[0]?.n ?? 0;
	await run('PRAGMA foreign_keys = OFF');
	try {
		await sequelize.query('ATTACH DATABASE ? AS damaged', { replacements: [damaged] });
		for (const table of TABLES) await bringOver(run, table).catch(() => undefined);
		await run('DELETE FROM file WHERE hash NOT IN (SELECT hash FROM blob)');
		for (const table of ['file', 'revision', 'draft', 'vantage', 'kept'])
			await run(`DELETE FROM ${table} WHERE siteId NOT IN (SELECT id FROM site)`);
		for (const { up } of ofRows) await up(sequelize.getQueryInterface());
	} catch {
		// Nothing in it can be read.
	} finally {
		await run('DETACH DATABASE damaged').catch(() => undefined);
		await run('PRAGMA foreign_keys = ON');
	}
	return { sites: await count('site'), files: await count('file') };
}

async function bringOver(run: (sql: string) => Promise<unknown[]>, table: string): Promise<void> {
	const columnsIn = async (schema: string): Promise<string[]> =>
		((await run(`PRAGMA ${schema}.table_info(${table})`)) as { name: string }[]).map(({ name }) => name);
	const there = new Set(await columnsIn('damaged'));
	const columns = (await columnsIn('main')).filter((name) => there.has(name)).join(', ');
	if (columns === '') return;
	const [last] = (await run(`SELECT max(rowid) AS n FROM damaged.${table}`).catch(() => [])) as {
		n: number;
	}[];
	const stretches: [from: number, to: number][] = [[0, last?.n ?? 1_000_000]];
	for (let tried = 0; tried < MOST_TRIED; tried++) {
		const stretch = stretches.pop();
		if (!stretch) return;
		const [from, to] = stretch;
		try {
			await run(
				`INSERT OR IGNORE INTO main.${table} (rowid, ${columns}) SELECT rowid, ${columns} FROM damaged.${table} WHERE rowid BETWEEN ${from} AND ${to}`
			);
		} catch {
			if (from === to) continue;
			const middle = Math.floor((from + to) / 2);
			stretches.push([middle + 1, to], [from, middle]);
		}
	}
}
