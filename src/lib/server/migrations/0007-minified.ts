import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0007-minified';

/** Whether a sheet is laid out while it is read; unknown until it is read for the first time. */
export async function up(tables: QueryInterface): Promise<void> {
	await tables.addColumn('file', 'minified', { type: DataTypes.BOOLEAN });
}
