import { json } from '@sveltejs/kit';
import { database } from '$lib/server/database.ts';

export const GET = async () => {
	await (await database()).query('SELECT 1');
	return json({ status: 'ok' });
};
