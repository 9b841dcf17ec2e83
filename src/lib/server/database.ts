import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { Sequelize, type Transaction } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { dataFolder } from './dataFolder.ts';
import { migrations } from './migrations/index.ts';
import { bindModels } from './models.ts';

let opening: Promise<Sequelize> | undefined;

/** The database, opened and migrated once a process. */
export const database = (): Promise<Sequelize> => (opening ??= open(join(dataFolder(), 'vantaggio.sqlite')));

async function open(storage: string): Promise<Sequelize> {
	mkdirSync(dataFolder(), { recursive: true });
	const sequelize = new Sequelize({ dialect: 'sqlite', storage, logging: false });
	await sequelize.query('PRAGMA journal_mode = WAL');
	await sequelize.query('PRAGMA synchronous = NORMAL');
	bindModels(sequelize);
	const umzug = new Umzug({
		migrations: migrations.map(({ name, up }) => ({ name, up: () => up(sequelize.getQueryInterface()) })),
		storage: new SequelizeStorage({ sequelize, tableName: 'migration' }),
		logger: undefined
	});
	await umzug.up();
	return sequelize;
}

let last: Promise<unknown> = Promise.resolve();

/** Runs a change in one transaction, after every change begun before it: SQLite has one writer at a time. */
export async function change<X>(work: (transaction: Transaction) => Promise<X>): Promise<X> {
	const sequelize = await database();
	const turn = last.then(() => sequelize.transaction(work));
	last = turn.catch(() => undefined);
	return turn;
}
