import { createHash, scryptSync, timingSafeEqual } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { isForeign } from './foreign.ts';
import { wrongKeys } from './wrongKeys.ts';

export interface FrontOptions {
	/** Names by which the application may be reached, without a port. */
	readonly names: readonly string[];
	/** The hosts of stages: `{stage}` stands for a label with the stage's and the site's number. */
	readonly stagePattern: string;
	/** Required from everybody where the server listens to other machines. */
	readonly key: string | null;
	/** A part of stages' hosts where a key is set; '' without one. */
	readonly stageToken: string;
}

/** Where the front leaves that part for Kit's side of the same process. */
const TOKEN = 'VANTAGGIO_STAGE_TOKEN';

/** The environment as options; the loopback's names are always allowed. */
export const optionsFrom = (env: NodeJS.ProcessEnv): FrontOptions => ({
	names: ['127.0.0.1', 'localhost', '[::1]', ...(env.VANTAGGIO_NAMES ?? '').split(/[\s,]+/).filter(Boolean)],
	stagePattern: env.VANTAGGIO_STAGE ?? '{stage}.localhost',
	key: env.VANTAGGIO_KEY || null,
	stageToken: env.VANTAGGIO_KEY ? (env[TOKEN] ?? '') : ''
});

/**
 * Options with the word that stages' host names contain where a key is set, so that only those who know the key know
 * the hosts. It is derived (scrypt, RFC 7914) with a salt of this server, so the key cannot be read off an address.
 */
export function withStageToken(env: NodeJS.ProcessEnv, salt: Uint8Array): FrontOptions {
	if (env.VANTAGGIO_KEY) env[TOKEN] = scryptSync(env.VANTAGGIO_KEY, salt, 12).toString('hex');
	return optionsFrom(env);
}

/** The host of a site's stage, or a pattern for it where number or site are still to be inserted. */
export const stageHost = (
	{ stagePattern, stageToken }: FrontOptions,
	n: number | '{n}',
	site: string
): string => stagePattern.replace('{stage}', `stage-${n}-s${site}${stageToken ? `-${stageToken}` : ''}`);

const TITLES: Readonly<Record<number, string>> = { 401: 'Key wanted', 429: 'Too many wrong keys' };

function refuse(
	response: ServerResponse,
	status: number,
	detail: string,
	headers: Readonly<Record<string, string>> = {}
): void {
	response.writeHead(status, { 'content-type': 'application/problem+json', ...headers });
	response.end(JSON.stringify({ type: 'about:blank', title: TITLES[status] ?? 'Refused', status, detail }));
}

/** The password in a request; undefined where there is none (RFC 7617 §2: the scheme's name is case-insensitive). */
function givenKey(request: IncomingMessage): string | undefined {
	const basic = /^basic +(.+)$/i.exec(request.headers.authorization ?? '')?.[1];
	return (
		basic &&
		Buffer.from(basic, 'base64')
			.toString('utf8')
			.replace(/^[^:]*:/, '')
	);
}

function isKey(given: string, key: string): boolean {
	const digest = (text: string): Buffer => createHash('sha256').update(text).digest();
	return timingSafeEqual(digest(given), digest(key));
}

/** Headers of every answer unless it has its own: nobody else may embed it, frame it or guess its type. */
const GUARDS = {
	'cross-origin-resource-policy': 'same-origin',
	'x-content-type-options': 'nosniff',
	'content-security-policy': "frame-ancestors 'none'",
	'referrer-policy': 'no-referrer',
	'x-dns-prefetch-control': 'off'
} as const;

/**
 * The address of a request as Kit will read it (URL Standard §4.4: dots, encoded dots and backslashes resolved); null
 * where it is invalid.
 */
function resolved(path: string): string | null {
	try {
		const { pathname, search } = new URL(`http://front${path.startsWith('/') ? '' : '/'}${path}`);
		return pathname + search;
	} catch {
		return null;
	}
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/**
 * Decides before Kit's handler by the Host header: an unknown host gets nothing; a stage's host gets its site's files
 * and the stage's own page and script, but neither the API nor the application's built files; the application's host
 * gets everything, with the key where one is set. Requests that change something are only accepted from the
 * application's own pages.
 */
export function createFront(options: FrontOptions) {
	const { names, key } = options;
	const wrong = wrongKeys();
	const pattern = escaped(stageHost(options, '{n}', '{site}'));
	const stages = new RegExp(
		`^${pattern.replace('\\{n\\}', '\\d{1,2}').replace('\\{site\\}', '(\\d{1,9})')}$`
	);

	/** Refuses requests without the key; false where it was refused. */
	function isLocked(request: IncomingMessage, response: ServerResponse): boolean {
		if (key === null) return false;
		const address = request.socket.remoteAddress ?? '';
		const given = givenKey(request);
		const seconds = given === undefined ? 0 : wrong.wait(address);
		if (seconds > 0) {
			const detail = `15 wrong keys came from this address within a minute; it may try again in ${seconds} s.`;
			refuse(response, 429, detail, { 'retry-after': String(seconds) });
			return true;
		}
		if (given !== undefined && isKey(given, key)) return false;
		if (given !== undefined) wrong.count(address);
		refuse(response, 401, 'This server asks for its access key as password.', {
			'www-authenticate': 'Basic realm="Vantaggio", charset="UTF-8"'
		});
		return true;
	}

	return (request: IncomingMessage, response: ServerResponse, next: () => void): void => {
		for (const name of Object.keys(request.headers)) {
			if (name.startsWith('x-vantaggio-') || name.startsWith('x-forwarded-')) delete request.headers[name];
		}
		for (const [name, value] of Object.entries(GUARDS)) response.setHeader(name, value);
		const host = (request.headers.host ?? '').toLowerCase();
		const name = host.replace(/:\d+$/, '');
		const port = /:\d+$/.exec(host)?.[0] ?? '';
		request.headers['x-vantaggio-scheme'] = 'http';
		// A policy cannot name an IPv6 address.
		const named = names.filter((one) => !one.startsWith('['));
		request.headers['x-vantaggio-applications'] = named.map((one) => `http://${one}${port}`).join(' ');
		const isRead = request.method === 'GET' || request.method === 'HEAD';
		const site = stages.exec(name)?.[1];
		if (site !== undefined) {
			if (!isRead) return refuse(response, 403, 'A stage can only be read.');
			const root = `/stage/${site}/`;
			const path = resolved(root + (request.url ?? '/').replace(/^\//, ''));
			if (!path?.startsWith(root)) return refuse(response, 403, 'A stage has its own site’s files only.');
			delete request.headers.cookie;
			request.headers['x-vantaggio-stage'] = site;
			request.url = path;
			return next();
		}
		if (!names.includes(name)) {
			return refuse(response, 403, `This server does not answer to the name "${name.slice(0, 100)}".`);
		}
		if (!isRead && isForeign(request.headers, `http://${host}`))
			return refuse(response, 403, 'Changes are taken from the application’s own pages only.');
		const path = resolved(request.url ?? '/');
		if (path === null) return refuse(response, 400, 'The address of this request cannot be read.');
		request.url = path;
		// Health checks do not need the key.
		if (!(isRead && path === '/api/health') && isLocked(request, response)) return;
		next();
	};
}
