import { mkdirSync } from 'node:fs';
import { basename, join } from 'node:path';
import { Sequelize, type Transaction } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { dataFolder } from './dataFolder.ts';
import { migrations } from './migrations/index.ts';
import { bindModels } from './models.ts';
import { Problem } from './problem.ts';
import { isSound, salvage, setAside } from './salvage.ts';

let opening: Promise<Sequelize> | undefined;

/** A message about the database for the first screen; null for none. */
export const databaseNotice: { sentence: string | null } = { sentence: null };

/** The database, opened and migrated once per process; after a failure it is tried again. */
export function database(): Promise<Sequelize> {
	opening ??= open(join(dataFolder(), 'vantaggio.sqlite')).catch((error: unknown) => {
		opening = undefined;
		throw error;
	});
	return opening;
}

const connect = (storage: string): Sequelize => new Sequelize({ dialect: 'sqlite', storage, logging: false });

/**
 * Opens a database. A damaged one is renamed, and its readable content is carried over; one written by a later
 * version is refused.
 */
async function open(storage: string): Promise<Sequelize> {
	mkdirSync(dataFolder(), { recursive: true });
	let sequelize = connect(storage);
	if (!(await isSound(sequelize))) {
		await sequelize.close();
		const aside = setAside(storage);
		sequelize = connect(storage);
		await migrate(sequelize);
		const { sites, files } = await salvage(sequelize, aside);
		databaseNotice.sentence = `The database was damaged and was set aside as ${basename(aside)}. ${sites} ${sites === 1 ? 'site' : 'sites'} with ${files} ${files === 1 ? 'file' : 'files'} could be read and ${sites === 1 ? 'is' : 'are'} here.`;
		return sequelize;
	}
	await migrate(sequelize);
	return sequelize;
}

async function migrate(sequelize: Sequelize): Promise<void> {
	await sequelize.query('PRAGMA journal_mode = WAL');
	await sequelize.query('PRAGMA synchronous = NORMAL');
	bindModels(sequelize);
	const umzug = new Umzug({
		migrations: migrations.map(({ name, up }) => ({ name, up: () => up(sequelize.getQueryInterface()) })),
		storage: new SequelizeStorage({ sequelize, tableName: 'migration' }),
		logger: undefined
	});
	const known = new Set<string>(migrations.map(({ name }) => name));
	await umzug.executed();
	const [done] = await sequelize.query('SELECT name FROM migration ORDER BY name');
	const later = (done as { name: string }[]).filter(({ name }) => !known.has(name));
	if (later.length > 0) {
		await sequelize.close();
		throw new Problem(
			503,
			`The data in ${dataFolder()} was written by a later version of Vantaggio (database ${later.at(-1)?.name}); this one knows it up to ${migrations.at(-1)?.name}. Start the later version, or set VANTAGGIO_DATA to another folder. Nothing was changed.`
		);
	}
	await umzug.up();
}

let last: Promise<unknown> = Promise.resolve();

/** Runs a change in one transaction, after all changes begun before it: SQLite has one writer at a time. */
export async function change<X>(work: (transaction: Transaction) => Promise<X>): Promise<X> {
	const sequelize = await database();
	const turn = last.then(() => sequelize.transaction(work));
	last = turn.catch(() => undefined);
	return turn;
}
