import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { dataFolder } from '../dataFolder.ts';
import { createFront, withStageToken } from './front.ts';
import { takeFolder } from './lock.ts';
import { stageSalt } from './salt.ts';

/** The built server: the front before Kit's handler, which is next to it. */

const port = Number(process.env.PORT ?? 4870);
const host = process.env.HOST ?? '127.0.0.1';

function stop(sentence: string): never {
	console.error(sentence);
	process.exit(1);
}

const locked = takeFolder(dataFolder());
if (!locked.ok) stop(locked.sentence);
if (!Number.isInteger(port) || port < 0 || port > 65535)
	stop(`PORT is "${process.env.PORT}"; it must be a number from 0 to 65535.`);
if (!/^(127\.|localhost$|::1$)/.test(host) && !process.env.VANTAGGIO_KEY) {
	stop(
		`HOST is ${host}, which other machines can reach: set VANTAGGIO_KEY to the key that everybody must give.`
	);
}

const options = withStageToken(process.env, stageSalt(dataFolder()));

// Kit's handler reads these when it is loaded.
process.env.PROTOCOL_HEADER = 'x-vantaggio-scheme';
process.env.HOST_HEADER = 'host';
process.env.BODY_SIZE_LIMIT = String(68 * 1024 * 1024);

const built = './handler.js';
const { handler } = (await import(built)) as {
	handler: (request: IncomingMessage, response: ServerResponse, next: () => void) => void;
};
const front = createFront(options);
const server = createServer((request, response) => {
	front(request, response, () => handler(request, response, () => response.writeHead(404).end()));
});

server.on('error', (error: NodeJS.ErrnoException) => {
	if (error.code === 'EADDRINUSE')
		stop(
			`Port ${port} is taken, perhaps by another Vantaggio. Stop that one, or set PORT to another number.`
		);
	stop(`The server cannot listen on ${host}:${port}: ${error.message}`);
});

server.listen(port, host, () => void ready());

async function ready(): Promise<void> {
	const address = server.address();
	const at = `http://${host.includes(':') ? `[${host}]` : host === '0.0.0.0' ? '127.0.0.1' : host}:${typeof address === 'object' ? address?.port : port}`;
	const headers =
		options.key === null
			? {}
			: { authorization: `Basic ${Buffer.from(`:${options.key}`).toString('base64')}` };
	const ask = async (path: string, method = 'GET'): Promise<Response> => {
		const response = await fetch(at + path, { method, headers });
		if (!response.ok) {
			const { detail } = (await response.json().catch(() => ({}))) as { detail?: string };
			stop(detail ?? `The server answers ${response.status} to ${path}.`);
		}
		return response;
	};
	const sites = (await (await ask('/api/sites')).json()) as unknown[];
	if (process.argv.includes('--demo')) {
		if (sites.length === 0) await ask('/api/sites?demo', 'POST');
	}
	console.log(`Vantaggio is open at ${at}`);
}

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
	process.on(signal, () => {
		server.closeAllConnections();
		server.close(() => process.exit(0));
	});
}
