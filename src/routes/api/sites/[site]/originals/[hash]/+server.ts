import { handler, siteId } from '$lib/server/api.ts';
import { readOriginal } from '$lib/server/pictures.ts';

export const GET = handler(async (event) => {
	const { bytes, type } = await readOriginal(siteId(event), event.params.hash ?? '');
	return new Response(new Uint8Array(bytes), {
		headers: {
			'content-type': type,
			'content-security-policy': "frame-ancestors 'none'; sandbox",
			'cache-control': 'private, max-age=31536000, immutable'
		}
	});
});
