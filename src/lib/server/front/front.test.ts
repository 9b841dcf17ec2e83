import { createServer, request, type IncomingHttpHeaders } from 'node:http';
import type { AddressInfo } from 'node:net';
import { describe, expect, it } from 'vitest';
import { createFront, optionsFrom, stageHost, type FrontOptions } from './front.ts';

/** Asks a front over the wire; what it lets through answers 200 with the address and headers that Kit would see. */
async function asked(
	options: FrontOptions,
	host: string,
	path: string,
	headers: Record<string, string> = {},
	method = 'GET'
) {
	const front = createFront(options);
	const server = createServer((incoming, response) =>
		front(incoming, response, () =>
			response.end(JSON.stringify({ url: incoming.url, headers: incoming.headers }))
		)
	);
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	const { port } = server.address() as AddressInfo;
	const answer = await new Promise<{ status: number; body: string }>((resolve, reject) => {
		const ask = request({ port, path, method, headers: { host, ...headers } }, (response) => {
			let body = '';
			response.on('data', (part: Buffer) => (body += part.toString()));
			response.on('end', () => resolve({ status: response.statusCode ?? 0, body }));
		});
		ask.on('error', reject);
		ask.end();
	});
	server.close();
	const seen =
		answer.status === 200 ? (JSON.parse(answer.body) as { url: string; headers: IncomingHttpHeaders }) : null;
	return { status: answer.status, url: seen?.url, headers: seen?.headers ?? {} };
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
		expect((await asked(plain, 'stage-3-s12.localhost', '/api/sites')).status).toBe(403);
		expect((await asked(plain, 'stage-3-s12.localhost', '/a', {}, 'POST')).status).toBe(403);
		expect((await asked(plain, 'stage-3.localhost', '/')).status).toBe(403);
		const named = optionsFrom({ VANTAGGIO_STAGE: '{stage}.tray.test' });
		expect((await asked(named, 'stage-0-s1.tray.test', '/a')).url).toBe('/stage/1/a');
		expect((await asked(named, 'stage-0-s1.localhost', '/a')).status).toBe(403);
	});

	it('takes no word for itself from outside', async () => {
		const { headers } = await asked(plain, 'localhost', '/', {
			'x-vantaggio-stage': '1',
			'x-forwarded-host': 'x.test'
		});
		expect(headers['x-vantaggio-stage']).toBeUndefined();
		expect(headers['x-forwarded-host']).toBeUndefined();
	});

	it('asks for the key where one is set, of stages by their name', async () => {
		const locked = optionsFrom({ VANTAGGIO_KEY: 'sesame' });
		expect((await asked(locked, 'localhost', '/')).status).toBe(401);
		expect((await asked(locked, 'localhost', '/', basic('other'))).status).toBe(401);
		expect((await asked(locked, 'localhost', '/', basic('sesame'))).status).toBe(200);
		expect((await asked(locked, 'stage-0-s1.localhost', '/a')).status).toBe(403);
		expect((await asked(locked, stageHost(locked, 0, '1'), '/a')).status).toBe(200);
	});
});
