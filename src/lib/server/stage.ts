import { createHash } from 'node:crypto';
import { readFile as readDisk } from 'node:fs/promises';
import { join } from 'node:path';
import { lookup } from 'mrmime';
import { optionsFrom, stageHost } from './front/front.ts';
import { readFile } from './sites.ts';

export const HOST_PAGE = '.vantaggio/host.html';
export const HOST_SCRIPT = '.vantaggio/host.js';

const FILES =
	"style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self' data:; media-src 'self' data:";

/** The policy that page frames inherit: the host's one script, the site's own files, nothing from elsewhere. */
const policy = (script: string, applications: string): string =>
	`default-src 'none'; script-src ${script}; ${FILES}; form-action 'none'; frame-ancestors ${applications}`;

const script = (): Promise<Buffer> =>
	readDisk(join(process.env.VANTAGGIO_HOME ?? process.cwd(), 'build', 'stage', 'host.js'));

/**
 * The page of a stage; its script's name contains a hash, so that the browser caches it. `Origin-Agent-Cluster`
 * requests a process of its own where possible.
 */
export async function hostPage(request: Request, url: URL): Promise<Response> {
	const scheme = url.protocol;
	const host = request.headers.get('host') ?? url.host;
	const path = request.headers.has('x-vantaggio-stage')
		? `/${HOST_SCRIPT}`
		: url.pathname.replace(HOST_PAGE, HOST_SCRIPT);
	const applications = request.headers.get('x-vantaggio-applications') ?? "'self'";
	const version = createHash('sha256')
		.update(await script())
		.digest('hex')
		.slice(0, 16);
	const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Stage</title><script src="${path}?${version}" defer></script></head><body></body></html>`;
	return new Response(html, {
		headers: {
			'content-type': 'text/html; charset=utf-8',
			'content-security-policy': policy(`${scheme}//${host}${path}`, applications),
			'referrer-policy': 'no-referrer',
			'origin-agent-cluster': '?1',
			'cache-control': 'no-cache'
		}
	});
}

export const hostScript = async (): Promise<Response> =>
	new Response(new Uint8Array(await script()), {
		headers: {
			'content-type': 'text/javascript; charset=utf-8',
			'cache-control': 'max-age=31536000, immutable'
		}
	});

/** A file of the site, at its address in pages. Opened by itself it has no rights (`sandbox`). */
export async function siteFile(site: number, path: string, request: Request): Promise<Response> {
	const { hash, bytes: read } = await readFile(site, path);
	const headers = new Headers({
		'content-type': lookup(path) ?? 'application/octet-stream',
		'content-security-policy':
			"default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'; sandbox",
		'cache-control': 'no-cache',
		etag: `"${hash}"`,
		'accept-ranges': 'bytes'
	});
	if (request.headers.get('if-none-match') === `"${hash}"`)
		return new Response(null, { status: 304, headers });
	const bytes = await read();
	const range = /^bytes=(\d+)-(\d*)$/.exec(request.headers.get('range') ?? '');
	const from = Number(range?.[1] ?? 0);
	if (!range || from >= bytes.length) return new Response(new Uint8Array(bytes), { headers });
	const to = Math.min(bytes.length - 1, range[2] ? Number(range[2]) : bytes.length - 1);
	headers.set('content-range', `bytes ${from}-${to}/${bytes.length}`);
	return new Response(new Uint8Array(bytes.subarray(from, to + 1)), { status: 206, headers });
}

/**
 * The application's page for a site's screen, which preloads what it will request: the sites, this one, and a stage
 * where the screen has frames.
 */
export function withSiteAhead(html: string, url: URL, hasFrames: (screen: string) => boolean): string {
	const [, site, screen] = /^\/site\/(\d{1,9})\/(\w+)$/.exec(url.pathname) ?? [];
	if (site === undefined) return html;
	const asked = ['/api/sites', `/api/sites/${site}`].map(
		(address) => `<link rel="preload" as="fetch" crossorigin="anonymous" href="${address}" />`
	);
	const page = html.replace('</head>', `${asked.join('')}</head>`);
	if (!screen || !hasFrames(screen)) return page;
	const host = stageHost(optionsFrom(process.env), 0, site);
	const address = `${url.protocol}//${host}${url.port && `:${url.port}`}/${HOST_PAGE}`;
	return page.replace('</body>', `<iframe data-ahead hidden src="${address}"></iframe></body>`);
}
