import type { Handle } from '@sveltejs/kit';
import { hasFrames } from '$lib/screens/names.ts';
import { isForeign } from '$lib/server/front/foreign.ts';
import { optionsFrom } from '$lib/server/front/front.ts';
import { log } from '$lib/server/log.ts';
import { Problem, problemReply } from '$lib/server/problem.ts';
import { withSiteAhead } from '$lib/server/stage.ts';

/** Frames are served from the stages' hosts, which `VANTAGGIO_STAGE` may move elsewhere. */
const [, stageHosts = ''] = optionsFrom(process.env).stagePattern.split('{stage}');
const STAGES = `http://*${stageHosts}:*`;

/** Adds to Kit's policy what is only known at runtime: the stages' hosts, and the nonce for the editor's styles. */
function completePolicy(headers: Headers): void {
	const policy = headers.get('content-security-policy');
	const nonce = policy && /'nonce-[^']+'/.exec(policy)?.[0];
	if (!nonce) return;
	const styles = policy.replace("style-src 'self'", `style-src 'self' ${nonce}`);
	headers.set('content-security-policy', styles.replace("frame-src 'self'", `frame-src 'self' ${STAGES}`));
}

/** When unreferenced data is looked for first, and how often from then on, ms. */
const [FIRST, AGAIN] = [60_000, 6 * 3600_000];

export const init = (): void => {
	const sweep = async (): Promise<void> => {
		try {
			const { sweepBlobs } = await import('$lib/server/blobs.ts');
			await sweepBlobs();
		} catch (error) {
			log.warn(error);
		}
	};
	setTimeout(() => void sweep(), FIRST).unref();
	setInterval(() => void sweep(), AGAIN).unref();
};

export const handle: Handle = async ({ event, resolve }) => {
	const begun = performance.now();
	event.locals.log = log;
	const { request, url } = event;
	const route = event.route.id ?? '';
	const api = route.startsWith('/api/');
	const isStage = route.startsWith('/stage/');
	const response =
		(api && isForeign(Object.fromEntries(request.headers), url.origin)) ||
		(!isStage && request.headers.has('x-vantaggio-stage'))
			? problemReply(new Problem(403, 'This address answers the application’s own pages only.'))
			: await resolve(event, { transformPageChunk: ({ html }) => withSiteAhead(html, url, hasFrames) });
	if (!isStage) {
		completePolicy(response.headers);
		response.headers.set('x-frame-options', 'DENY');
		if (api && !response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
	}
	log.info({
		method: request.method,
		path: url.pathname,
		status: response.status,
		ms: Math.round(performance.now() - begun)
	});
	return response;
};
