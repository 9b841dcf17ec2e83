import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0005-unnamed';

/** Since when a blob has been unreferenced; it is deleted after a while. */
export async function up(tables: QueryInterface): Promise<void> {
	await tables.createTable('unnamed', {
		hash: { type: DataTypes.TEXT, primaryKey: true },
		since: { type: DataTypes.INTEGER, allowNull: false }
	});
}
