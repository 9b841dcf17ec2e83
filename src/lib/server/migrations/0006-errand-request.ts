import type { QueryInterface } from 'sequelize';

export const name = '0006-errand-request';

/** An errand's request, other than for a class, is named `request`. */
export async function up(tables: QueryInterface): Promise<void> {
	await tables.sequelize.query(
		`UPDATE kept SET fields = json_remove(json_set(fields, '$.request', json_extract(fields, '$.wish')), '$.wish')
		WHERE kind = 'errand' AND json_type(fields, '$.wish') = 'object'`
	);
}
