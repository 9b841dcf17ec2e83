import { createServer, request, type IncomingHttpHeaders } from 'node:http';
import type { AddressInfo } from 'node:net';
import { describe, expect, it } from 'vitest';
import { createFront, optionsFrom, stageHost, withStageToken, type FrontOptions } from './front.ts';
import { wrongKeys } from './wrongKeys.ts';

/** Asks a front over the wire; what it lets through answers 200 with the address and headers that Kit would see. */
async function asked(
	options: FrontOptions | ReturnType<typeof createFront>,
	host: string,
	path: string,
	headers: Record<string, string> = {},
	method = 'GET'
) {
	const front = typeof options === 'function' ? options : createFront(options);
	const server = createServer((incoming, response) =>
		front(incoming, response, () =>
			response.end(JSON.stringify({ url: incoming.url, headers: incoming.headers }))
		)
	);
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	const { port } = server.address() as AddressInfo;
	const answer = await new Promise<{ status: number; body: string; answered: IncomingHttpHeaders }>(
		(resolve, reject) => {
			const ask = request({ port, path, method, headers: { host, ...headers } }, (response) => {
				let body = '';
				response.on('data', (part: Buffer) => (body += part.toString()));
				response.on('end', () =>
					resolve({ status: response.statusCode ?? 0, body, answered: response.headers })
				);
			});
			ask.on('error', reject);
			ask.end();
		}
	);
	server.close();
	const seen =
		answer.status === 200 ? (JSON.parse(answer.body) as { url: string; headers: IncomingHttpHeaders }) : null;
	return { ...answer, url: seen?.url, headers: seen?.headers ?? {} };
}

const plain = optionsFrom({});
const basic = (key: string) => ({ authorization: `Basic ${Buffer.from(`:${key}`).toString('base64')}` });

describe('the front', () => {
	it('answers to the loopback’s names and to those it is given, no others', async () => {
		for (const host of ['127.0.0.1:1', 'localhost', '[::1]:80'])
			expect((await asked(plain, host, '/')).status).toBe(200);
		expect((await asked(plain, 'elsewhere.test', '/')).status).toBe(403);
		expect((await asked(optionsFrom({ VANTAGGIO_NAMES: 'tray.test' }), 'tray.test:9', '/')).status).toBe(200);
	});

	it('turns a stage’s host into its site, read only, without cookie and API', async () => {
		const stage = await asked(plain, 'stage-3-s12.localhost:9', '/img/a.png?x', {
			cookie: 'a=b',
			'x-vantaggio-stage': '7'
		});
		expect(stage).toMatchObject({ status: 200, url: '/stage/12/img/a.png?x' });
		expect(stage.headers.cookie).toBeUndefined();
		expect(stage.headers['x-vantaggio-stage']).toBe('12');
		expect(stage.headers['x-vantaggio-applications']).toBe('http://127.0.0.1:9 http://localhost:9');
		// What it asks of the API is asked of its own site.
		expect((await asked(plain, 'stage-3-s12.localhost', '/api/sites')).url).toBe('/stage/12/api/sites');
		expect((await asked(plain, 'stage-3-s12.localhost', '/a', {}, 'POST')).status).toBe(403);
		expect((await asked(plain, 'stage-3.localhost', '/')).status).toBe(403);
		const named = optionsFrom({ VANTAGGIO_STAGE: '{stage}.tray.test' });
		expect((await asked(named, 'stage-0-s1.tray.test', '/a')).url).toBe('/stage/1/a');
		expect((await asked(named, 'stage-0-s1.localhost', '/a')).status).toBe(403);
	});

	it('lets nothing out of a stage’s own site, however it is written', async () => {
		for (const path of [
			'/../../api/sites',
			'/a/%2e%2e/%2E./../api/sites',
			'/..\\..\\api\\sites',
			'/../12/../../api'
		])
			expect((await asked(plain, 'stage-3-s12.localhost', path)).status, path).toBe(403);
		expect((await asked(plain, 'stage-3-s12.localhost', '/a/../b.css?c')).url).toBe('/stage/12/b.css?c');
		expect((await asked(plain, 'stage-3-s12.localhost', 'http://localhost/api/sites')).url).toMatch(
			/^\/stage\/12\//
		);
	});

	it('takes changes from the application’s own pages only, whatever the path', async () => {
		const from = (headers: Record<string, string>, path = '/%61pi/sites/1/save', method = 'POST') =>
			asked(plain, '127.0.0.1:9', path, headers, method).then(({ status }) => status);
		expect(await from({ origin: 'http://elsewhere.test' })).toBe(403);
		expect(await from({ origin: 'null' })).toBe(403);
		expect(await from({ 'sec-fetch-site': 'cross-site' })).toBe(403);
		expect(await from({ 'sec-fetch-site': 'same-site' }, '/anything', 'PUT')).toBe(403);
		expect(await from({ origin: 'http://stage-0-s1.localhost:9' }, '/', 'DELETE')).toBe(403);
		expect(await from({ origin: 'http://127.0.0.1:9', 'sec-fetch-site': 'same-origin' })).toBe(200);
		expect(await from({})).toBe(200);
	});

	it('lets nobody else embed, frame or guess what it answers, refusals too', async () => {
		for (const host of ['localhost', 'stage-3-s12.localhost', 'elsewhere.test']) {
			expect((await asked(plain, host, '/')).answered, host).toMatchObject({
				'cross-origin-resource-policy': 'same-origin',
				'x-content-type-options': 'nosniff',
				'content-security-policy': "frame-ancestors 'none'"
			});
		}
	});

	it('takes no word for itself from outside', async () => {
		const { headers } = await asked(plain, 'localhost', '/', {
			'x-vantaggio-stage': '1',
			'x-forwarded-host': 'x.test'
		});
		expect(headers['x-vantaggio-stage']).toBeUndefined();
		expect(headers['x-forwarded-host']).toBeUndefined();
	});

	it('asks for the key where one is set, of stages by their name, and not for health', async () => {
		const locked = withStageToken({ VANTAGGIO_KEY: 'sesame' }, new Uint8Array(16));
		expect((await asked(locked, 'localhost', '/')).status).toBe(401);
		expect((await asked(locked, 'localhost', '/', basic('other'))).status).toBe(401);
		expect((await asked(locked, 'localhost', '/', basic('sesame'))).status).toBe(200);
		const { authorization } = basic('sesame');
		expect(
			(await asked(locked, 'localhost', '/', { authorization: authorization.replace('Basic', 'bASIC') }))
				.status
		).toBe(200);
		expect((await asked(locked, 'localhost', '/api/health')).status).toBe(200);
		expect((await asked(locked, 'localhost', '/api/health/../sites')).status).toBe(401);
		expect((await asked(locked, 'localhost', '/api/health', {}, 'POST')).status).toBe(401);
		expect((await asked(locked, 'stage-0-s1.localhost', '/a')).status).toBe(403);
		const stage = stageHost(locked, 0, '1');
		expect((await asked(locked, stage, '/a')).status).toBe(200);
		expect((await asked(locked, stage, '/../../api/sites')).status).toBe(403);
		// Another server with the same key has other words.
		const other = withStageToken({ VANTAGGIO_KEY: 'sesame' }, new Uint8Array(16).fill(1));
		expect(stageHost(other, 0, '1')).not.toBe(stage);
	});

	it('slows wrong keys down by address, and says for how long', () => {
		let time = 0;
		const wrong = wrongKeys(() => time);
		for (let i = 0; i < 15; i++) {
			expect(wrong.wait('10.0.0.1')).toBe(0);
			wrong.count('10.0.0.1');
			wrong.count(`fe80:1:2:3::${i}`);
		}
		expect(wrong.wait('10.0.0.1')).toBe(60);
		expect(wrong.wait('fe80:1:2:3::ffff')).toBe(60);
		expect(wrong.wait('10.0.0.2')).toBe(0);
		time = 59_500;
		expect(wrong.wait('10.0.0.1')).toBe(1);
		time = 60_000;
		expect(wrong.wait('10.0.0.1')).toBe(0);
		wrong.count('10.0.0.1');
		expect(wrong.wait('10.0.0.1')).toBe(0);
	});

	it('refuses even the right key while an address has to wait', async () => {
		const locked = withStageToken({ VANTAGGIO_KEY: 'sesame' }, new Uint8Array(16));
		const front = createFront(locked);
		for (let i = 0; i < 15; i++)
			expect((await asked(front, 'localhost', '/', basic(String(i)))).status).toBe(401);
		const refused = await asked(front, 'localhost', '/', basic('sesame'));
		expect(refused.status).toBe(429);
		expect(refused.body).toMatch(/may try again in \d+ s\./);
		expect(refused.answered['retry-after']).toMatch(/^\d+$/);
		// What asks without a key, as a browser does at first, is asked for it.
		expect((await asked(front, 'localhost', '/')).status).toBe(401);
	});
});
