import { DataTypes, type QueryInterface } from 'sequelize';

const id = { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true };
const ofSite = {
	type: DataTypes.INTEGER,
	allowNull: false,
	references: { model: 'site', key: 'id' },
	onDelete: 'CASCADE'
};
const text = { type: DataTypes.TEXT, allowNull: false };
const integer = { type: DataTypes.INTEGER, allowNull: false };
const date = { type: DataTypes.DATE, allowNull: false };

export const name = '0001-first';

export async function up(tables: QueryInterface): Promise<void> {
	await tables.createTable('site', { id, name: text, root: text, createdAt: date, updatedAt: date });
	await tables.createTable('blob', {
		hash: { type: DataTypes.TEXT, primaryKey: true },
		bytes: { type: DataTypes.BLOB, allowNull: false }
	});
	await tables.createTable('file', {
		id,
		siteId: ofSite,
		path: text,
		kind: text,
		hash: { ...text, references: { model: 'blob', key: 'hash' } },
		size: integer,
		width: DataTypes.INTEGER,
		height: DataTypes.INTEGER
	});
	await tables.addIndex('file', ['siteId', 'path'], { unique: true });
	await tables.createTable('revision', {
		id,
		siteId: ofSite,
		number: integer,
		message: text,
		manifest: { type: DataTypes.JSON, allowNull: false },
		createdAt: date
	});
	await tables.addIndex('revision', ['siteId', 'number'], { unique: true });
	await tables.createTable('draft', {
		id,
		siteId: ofSite,
		path: text,
		tab: text,
		base: text,
		text,
		caret: integer,
		updatedAt: date
	});
	await tables.addIndex('draft', ['siteId', 'path', 'tab'], { unique: true });
	await tables.createTable('vantage', {
		id,
		siteId: ofSite,
		position: integer,
		chorus: { type: DataTypes.BOOLEAN, allowNull: false },
		fields: { type: DataTypes.JSON, allowNull: false }
	});
}
