import { createHash, timingSafeEqual } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';

export interface FrontOptions {
	/** Names by which the application may be reached, without a port. */
	readonly names: readonly string[];
	/** The hosts of stages: `{stage}` stands for a label that names stage and site. */
	readonly stagePattern: string;
	/** Asked of everybody where the server listens to other machines. */
	readonly key: string | null;
}

/** The environment as options; the names of the loopback are always among them. */
export const optionsFrom = (env: NodeJS.ProcessEnv): FrontOptions => ({
	names: ['127.0.0.1', 'localhost', '[::1]', ...(env.VANTAGGIO_NAMES ?? '').split(/[\s,]+/).filter(Boolean)],
	stagePattern: env.VANTAGGIO_STAGE ?? '{stage}.localhost',
	key: env.VANTAGGIO_KEY || null
});

/** A word that only those who know the key can put into a stage's host name; '' without a key. */
const stageToken = (key: string | null): string =>
	key === null ? '' : createHash('sha256').update(`stage ${key}`).digest('hex').slice(0, 24);

/** The host of a site's stage; of what pattern, where number or site are left to be put in. */
export const stageHost = ({ stagePattern, key }: FrontOptions, n: number | '{n}', site: string): string => {
	const token = stageToken(key);
	return stagePattern.replace('{stage}', `stage-${n}-s${site}${token ? `-${token}` : ''}`);
};

function refuse(response: ServerResponse, status: number, detail: string): void {
	const title = status === 401 ? 'Key wanted' : 'Refused';
	response.writeHead(status, {
		'content-type': 'application/problem+json',
		...(status === 401 ? { 'www-authenticate': 'Basic realm="Vantaggio", charset="UTF-8"' } : {})
	});
	response.end(JSON.stringify({ type: 'about:blank', title, status, detail }));
}

function holdsKey(request: IncomingMessage, key: string): boolean {
	const basic = /^Basic (.+)$/.exec(request.headers.authorization ?? '')?.[1];
	const given = Buffer.from(basic ?? '', 'base64')
		.toString('utf8')
		.replace(/^[^:]*:/, '');
	const digest = (text: string): Buffer => createHash('sha256').update(text).digest();
	return timingSafeEqual(digest(given), digest(key));
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/**
 * What stands before Kit's handler and decides by the Host header alone: an unknown host gets nothing; a
 * stage's host gets its site's files and the stage's own page and script, never the API, never a built file
 * of the application; the application's host gets everything, with the key where one is set.
 */
export function createFront(options: FrontOptions) {
	const { names, key } = options;
	const pattern = escaped(stageHost(options, '{n}', '{site}'));
	const stages = new RegExp(
		`^${pattern.replace('\\{n\\}', '\\d{1,2}').replace('\\{site\\}', '(\\d{1,9})')}$`
	);
	return (request: IncomingMessage, response: ServerResponse, next: () => void): void => {
		for (const name of Object.keys(request.headers)) {
			if (name.startsWith('x-vantaggio-') || name.startsWith('x-forwarded-')) delete request.headers[name];
		}
		const host = (request.headers.host ?? '').toLowerCase();
		const name = host.replace(/:\d+$/, '');
		const port = /:\d+$/.exec(host)?.[0] ?? '';
		request.headers['x-vantaggio-scheme'] = 'http';
		// A policy cannot name an IPv6 address.
		const named = names.filter((one) => !one.startsWith('['));
		request.headers['x-vantaggio-applications'] = named.map((one) => `http://${one}${port}`).join(' ');
		const site = stages.exec(name)?.[1];
		if (site !== undefined) {
			const path = request.url ?? '/';
			if (/^\/api(\/|$|\?)/.test(path)) return refuse(response, 403, 'A stage has no access to the API.');
			if (request.method !== 'GET' && request.method !== 'HEAD')
				return refuse(response, 403, 'A stage can only be read.');
			delete request.headers.cookie;
			request.headers['x-vantaggio-stage'] = site;
			request.url = `/stage/${site}${path.startsWith('/') ? path : `/${path}`}`;
			return next();
		}
		if (!names.includes(name)) {
			return refuse(response, 403, `This server does not answer to the name "${name.slice(0, 100)}".`);
		}
		if (key !== null && !holdsKey(request, key))
			return refuse(response, 401, 'This server asks for its access key as password.');
		next();
	};
}
