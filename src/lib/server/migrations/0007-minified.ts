import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0007-minified';

/** Whether a text is laid out for reading; unknown until it is first read. */
export async function up(tables: QueryInterface): Promise<void> {
	await tables.addColumn('file', 'minified', { type: DataTypes.BOOLEAN });
}
