import type { QueryInterface } from 'sequelize';

export const name = '0002-vantage-fields';

/** Later fields of vantages, with values that correspond to their absence. */
const ADDED = {
	bars: { top: 0, bottom: 0, state: 'out' },
	safeAreas: { top: 0, right: 0, bottom: 0, left: 0 },
	textSpacing: false,
	zoom: 1,
	films: 'play',
	scrollbar: 0
};

export async function up(tables: QueryInterface): Promise<void> {
	await tables.sequelize.query('UPDATE vantage SET fields = json_patch(:added, fields)', {
		replacements: { added: JSON.stringify(ADDED) }
	});
}
