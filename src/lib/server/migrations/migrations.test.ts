import { Sequelize } from 'sequelize';
import { expect, test } from 'vitest';
import { migrations } from './index.ts';
import * as errandRequest from './0006-errand-request.ts';

test('an errand that was kept with a wish has it as its request; all else stays as it is', async () => {
	const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
	const tables = sequelize.getQueryInterface();
	for (const { up } of migrations.slice(0, migrations.indexOf(errandRequest))) await up(tables);
	await sequelize.query(
		"INSERT INTO site (id, name, root, createdAt, updatedAt) VALUES (1, 'a', '', '2026', '2026')"
	);
	const before = [
		['errand', { page: 'a.html', name: '', wish: { kind: 'words', words: 'a “wish”' }, done: false }],
		['errand', { page: 'a.html', name: 'wide', done: true }],
		['staged', { name: 'x', wish: { kind: 'words' } }]
	] as const;
	for (const [position, [kind, fields]] of before.entries())
		await sequelize.query('INSERT INTO kept (siteId, kind, position, fields) VALUES (1, ?, ?, ?)', {
			replacements: [kind, position, JSON.stringify(fields)]
		});
	await errandRequest.up(tables);
	const [rows] = await sequelize.query('SELECT fields FROM kept ORDER BY position');
	const [{ wish, ...first }, ...others] = before.map(([, fields]) => fields) as [
		{ wish: object },
		...object[]
	];
	expect((rows as { fields: string }[]).map(({ fields }) => JSON.parse(fields) as object)).toEqual([
		{ ...first, request: wish },
		...others
	]);
	await sequelize.close();
});
