import { json } from '@sveltejs/kit';
import { handler } from '$lib/server/api.ts';
import { demoEntries } from '$lib/server/demo.ts';
import { bring, LIMITS, megabytes } from '$lib/server/import/index.ts';
import { Problem } from '$lib/server/problem.ts';
import { createSite, listSites } from '$lib/server/sites.ts';

export const GET = handler(async () => json(await listSites()));

/** A new site from the files of a form (each under its path as file name, or one zip), or the demo. */
export const POST = handler(async ({ request, url }) => {
	if (url.searchParams.has('demo')) {
		const id = await createSite({ ...(await bring(await demoEntries())), name: 'Ombry Ferries' });
		return json({ id, refused: [] }, { status: 201 });
	}
	const length = Number(request.headers.get('content-length') ?? 0);
	if (length > LIMITS.packed + 1024 * 1024) {
		throw new Problem(413, `More than ${megabytes(LIMITS.packed)} at once; nothing was imported.`);
	}
	const form = await request.formData().catch(() => {
		throw new Problem(400, 'The upload broke off or cannot be read; nothing was imported.');
	});
	const paths = form.getAll('path').map(String);
	const files = form.getAll('file').filter((value) => value instanceof File);
	const given = await Promise.all(
		files.map(async (file, i) => ({
			path: paths[i] ?? file.name,
			bytes: new Uint8Array(await file.arrayBuffer())
		}))
	);
	if (given.length === 0) throw new Problem(400, 'No file came with the upload.');
	const brought = await bring(given);
	return json({ id: await createSite(brought), refused: brought.refused }, { status: 201 });
});
