import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, expect, type Page } from '@playwright/test';

export { expect, type Page };

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

/** `server` has the demo as its site 1; `empty` has no site, and is this test's alone. */
export const test = base.extend<{ empty: Server }, { server: Server }>({
	server: [
		async ({}, use) => {
			const data = await mkdtemp(join(tmpdir(), 'vantaggio-'));
			const server = new Server(data);
			await server.start('--demo');
			await use(server);
			await server.kill();
			await rm(data, { recursive: true, force: true });
		},
		{ scope: 'worker' }
	],
	empty: async ({}, use) => {
		const data = await mkdtemp(join(tmpdir(), 'vantaggio-'));
		const server = new Server(data);
		await server.start();
		await use(server);
		await server.kill();
		await rm(data, { recursive: true, force: true });
	}
});

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

/** The frames of pages in the order in which they were made: the lead first, then the chorus. */
export const pageFrames = (page: Page) =>
	page
		.frames()
		.filter(
			(frame) =>
				frame.parentFrame()?.url().includes('localhost') &&
				frame !== page.mainFrame() &&
				frame.parentFrame() !== page.mainFrame()
		);

/** Opens the Bench of a site and waits until its four frames have the page. */
export async function openBench(page: Page, server: Server, site = 1, query = ''): Promise<void> {
	await page.goto(`${server.url}/site/${site}/bench${query}`);
	await expect.poll(() => pageFrames(page).length).toBe(4);
	await expect
		.poll(async () =>
			(await Promise.all(pageFrames(page).map((frame) => frame.evaluate(() => document.readyState)))).join()
		)
		.toBe('complete,complete,complete,complete');
}

/** The editor's text. */
export const sheetText = (page: Page): Promise<string> =>
	page.locator('.cm-content').evaluate((element) => {
		const lines = [...element.querySelectorAll('.cm-line')];
		return lines.map((line) => line.textContent).join('\n');
	});
