import { handler, siteId } from '$lib/server/api.ts';
import { exportSite } from '$lib/server/sites.ts';

export const GET = handler(async (event) => {
	const { name, bytes } = await exportSite(siteId(event));
	const file = `${name.replace(/[^\p{L}\p{N} ._-]/gu, '_')}.zip`;
	return new Response(new Uint8Array(bytes), {
		headers: {
			'content-type': 'application/zip',
			'content-disposition': `attachment; filename="site.zip"; filename*=UTF-8''${encodeURIComponent(file)}`
		}
	});
});
