import { json } from '@sveltejs/kit';

/** That the server lives, and nothing else: it is told without the key. */
export const GET = () => json({ status: 'ok' });
