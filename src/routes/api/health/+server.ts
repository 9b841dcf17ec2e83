import { json } from '@sveltejs/kit';

/** Says that the server is running, and nothing else; does not need the key. */
export const GET = () => json({ status: 'ok' });
