import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, readdir, readFile, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { SiteRecord } from '../src/lib/api.ts';

const root = join(import.meta.dirname, '..');

/** A server of its own, with data of its own, on a port that the system gives. */
export class Server {
	#process: ChildProcess | undefined;
	url = '';

	constructor(
		readonly data: string,
		readonly env: NodeJS.ProcessEnv = {}
	) {}

	get port(): string {
		return new URL(this.url).port;
	}

	/** What it has in memory, bytes. */
	async memory(): Promise<number> {
		const status = await readFile(`/proc/${this.#process?.pid}/status`, 'utf8');
		return 1024 * Number(/VmRSS:\s+(\d+)/.exec(status)?.[1]);
	}

	/** What its folder has, bytes. */
	async stored(): Promise<number> {
		const entries = await readdir(this.data, { recursive: true, withFileTypes: true });
		const files = entries.filter((entry) => entry.isFile());
		const sizes = await Promise.all(
			files.map(async ({ parentPath, name }) => (await stat(join(parentPath, name))).size)
		);
		return sizes.reduce((sum, size) => sum + size, 0);
	}

	/** Starts it, on the same port as before where it ran before. */
	async start(...args: string[]): Promise<void> {
		const child = spawn(process.execPath, ['build/front.js', ...args], {
			cwd: root,
			env: {
				...process.env,
				PORT: this.url ? this.port : '0',
				VANTAGGIO_DATA: this.data,
				VANTAGGIO_HOME: root,
				VANTAGGIO_LOG: 'error',
				...this.env
			}
		});
		this.#process = child;
		let said = '';
		await new Promise<void>((resolve, reject) => {
			const hear = (text: Buffer): void => {
				said += text.toString();
				const found = /open at (\S+)/.exec(said)?.[1];
				if (!found) return;
				this.url = found;
				resolve();
			};
			child.stdout.on('data', hear);
			child.stderr.on('data', hear);
			child.on('exit', () => reject(new Error(`The server stopped: ${said}`)));
		});
	}

	/** Ends it as a crash would. */
	async kill(): Promise<void> {
		const child = this.#process;
		if (!child || child.exitCode !== null) return;
		const gone = new Promise((resolve) => child.once('exit', resolve));
		child.kill('SIGKILL');
		await gone;
	}
}

/** A server with data of its own, for as long as the work takes. */
export async function withServer<X>(
	args: readonly string[],
	work: (server: Server) => Promise<X>
): Promise<X> {
	const data = await mkdtemp(join(tmpdir(), 'vantaggio-'));
	const server = new Server(data);
	try {
		await server.start(...args);
		return await work(server);
	} finally {
		await server.kill();
		await rm(data, { recursive: true, force: true });
	}
}

/** Puts files in as a new site; gives its number. */
export async function bring(server: Server, files: Record<string, string | Uint8Array>): Promise<number> {
	const form = new FormData();
	for (const [path, content] of Object.entries(files)) {
		form.append('path', path);
		form.append(
			'file',
			new File([typeof content === 'string' ? content : new Uint8Array(content)], path.replace(/^.*\//, ''))
		);
	}
	const response = await fetch(`${server.url}/api/sites`, { method: 'POST', body: form });
	if (!response.ok) throw new Error(await response.text());
	return ((await response.json()) as { id: number }).id;
}

/** Lets go of what is unsaved in a site: the tabs that had it are gone, so that a new one would take it up. */
export async function asSaved({ url }: Server, site: number): Promise<void> {
	const { drafts } = (await (await fetch(`${url}/api/sites/${site}`)).json()) as SiteRecord;
	for (const { path, tab } of drafts) {
		const query = new URLSearchParams({ path, tab }).toString();
		const answer = await fetch(`${url}/api/sites/${site}/drafts?${query}`, {
			method: 'DELETE',
			headers: { origin: url }
		});
		if (!answer.ok) throw new Error(await answer.text());
	}
}

/** The demo once more, with no draft of another test. */
export async function freshDemo({ url }: Server): Promise<number> {
	const reply = await fetch(`${url}/api/sites?demo`, { method: 'POST', headers: { origin: url } });
	return ((await reply.json()) as { id: number }).id;
}
