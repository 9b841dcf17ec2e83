import type { Handle } from '@sveltejs/kit';
import pino from 'pino';
import { Problem, problemReply } from '$lib/server/problem.ts';

const log = pino({ level: process.env.VANTAGGIO_LOG ?? 'info', base: null });

/** The API answers the application's own pages only, never a stage and never another site's page. */
function isForeign(request: Request, url: URL): boolean {
	const origin = request.headers.get('origin');
	const site = request.headers.get('sec-fetch-site');
	return (
		(origin !== null && origin !== url.origin) || (site !== null && site !== 'same-origin' && site !== 'none')
	);
}

/** The editor puts its styles into the page by script: they may carry the page's nonce too. */
function allowEditorStyles(headers: Headers): void {
	const policy = headers.get('content-security-policy');
	const nonce = policy && /'nonce-[^']+'/.exec(policy)?.[0];
	if (nonce)
		headers.set('content-security-policy', policy.replace("style-src 'self'", `style-src 'self' ${nonce}`));
}

export const handle: Handle = async ({ event, resolve }) => {
	const begun = performance.now();
	event.locals.log = log;
	const { request, url } = event;
	const api = url.pathname.startsWith('/api/');
	const response =
		api && isForeign(request, url)
			? problemReply(new Problem(403, 'This address answers the application’s own pages only.'))
			: await resolve(event);
	if (!url.pathname.startsWith('/stage/')) {
		allowEditorStyles(response.headers);
		response.headers.set('x-frame-options', 'DENY');
		response.headers.set('x-content-type-options', 'nosniff');
		response.headers.set('referrer-policy', 'no-referrer');
		if (api) response.headers.set('cache-control', 'no-store');
	}
	log.info({
		method: request.method,
		path: url.pathname,
		status: response.status,
		ms: Math.round(performance.now() - begun)
	});
	return response;
};
