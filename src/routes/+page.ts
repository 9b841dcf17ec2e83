import { redirect } from '@sveltejs/kit';
import { api } from '$lib/session/api.ts';

/** Straight to the site changed last; on a first visit there is none. */
export const load = async () => {
	const [site] = await api.sites();
	if (site) redirect(307, `/site/${site.id}/bench`);
};
