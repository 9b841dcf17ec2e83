import type { QueryInterface } from 'sequelize';

export const name = '0004-given-path';

/** Sheets can now be given as well as pages: `page` becomes `path`. */
export async function up(tables: QueryInterface): Promise<void> {
	await tables.sequelize.query(
		"UPDATE kept SET fields = json_object('path', json_extract(fields, '$.page')) WHERE kind = 'given'"
	);
}
