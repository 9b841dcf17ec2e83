import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0003-kept';

export async function up(tables: QueryInterface): Promise<void> {
	await tables.createTable('kept', {
		id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
		siteId: {
			type: DataTypes.INTEGER,
			allowNull: false,
			references: { model: 'site', key: 'id' },
			onDelete: 'CASCADE'
		},
		kind: { type: DataTypes.TEXT, allowNull: false },
		position: { type: DataTypes.INTEGER, allowNull: false },
		fields: { type: DataTypes.JSON, allowNull: false }
	});
	await tables.addIndex('kept', ['siteId', 'kind', 'position']);
}
