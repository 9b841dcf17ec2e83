import { createServer } from 'node:http';
import { mkdtemp, rm } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium, type Browser, type Page } from '@playwright/test';
import { lookup } from 'mrmime';
import { bring, Server } from '../../tests/server.ts';
import { clientBundle } from '../../tests/bundle.ts';
import { LAUNCH } from '../../tests/launch.ts';
import { median, type Bench } from '../bench.ts';
import { demoFiles, largePage } from './pages.ts';

type Files = Record<string, string | Uint8Array>;

/** A browser and a server with one site, for as long as the work takes. */
async function withSite<X>(
	files: Files,
	work: (page: Page, server: Server, site: number) => Promise<X>,
	args: readonly string[] = []
): Promise<X> {
	const data = await mkdtemp(join(tmpdir(), 'vantaggio-bench-'));
	const server = new Server(data);
	let browser: Browser | undefined;
	try {
		await server.start();
		const site = await bring(server, files);
		browser = await chromium.launch({ ...LAUNCH, args: [...(LAUNCH.args ?? []), ...args] });
		const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
		// What runs a bench's own functions names them by a helper that pages lack.
		await page.addInitScript('globalThis.__name = (named) => named');
		return await work(page, server, site);
	} finally {
		await browser?.close();
		await server.kill();
		await rm(data, { recursive: true, force: true });
	}
}

const PAINTED = 'vantaggio: frames painted';

/** Median time from a keystroke in the sheet to all four frames painted, ms. */
async function keystroke(page: Page): Promise<number> {
	await page.waitForFunction((mark) => performance.getEntriesByName(mark).length > 0, PAINTED);
	await page.waitForTimeout(1500);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	// A length that moves everything below it.
	await page.keyboard.insertText('\nh1 { line-height: 1.');
	const times = await page.evaluate(async (mark) => {
		const found: number[] = [];
		for (let i = 0; i < 25; i++) {
			await new Promise((resolve) => setTimeout(resolve, 60));
			const painted = new Promise<number>((resolve) => {
				const observer = new PerformanceObserver((list) => {
					const [entry] = list.getEntriesByName(mark);
					if (!entry) return;
					observer.disconnect();
					resolve(entry.startTime);
				});
				observer.observe({ entryTypes: ['mark'] });
			});
			const begun = performance.now();
			document.execCommand('insertText', false, String(i % 10));
			found.push((await painted) - begun);
		}
		return found;
	}, PAINTED);
	return median(times.slice(5));
}

/** The four frames of the Bench at 1280 × 800: width, height, density, scale as drawn. */
const FRAMES = [
	[812, 470, 1, 0.84],
	[390, 780, 3, 0.23],
	[768, 1024, 2, 0.175],
	[1280, 720, 2, 0.25]
] as const;

/** Median time of reloading the page in four bare frames of the same sizes and densities, to their load and paint, ms. */
async function reloading(page: Page, files: Files, path: string): Promise<number> {
	const server = createServer((request, response) => {
		const name = decodeURIComponent(new URL(request.url ?? '/', 'http://x.test').pathname.slice(1));
		if (name === 'four') {
			response.setHeader('content-type', 'text/html');
			const frames = FRAMES.map(
				([width, height, density, scale]) =>
					`<div style="position:relative;float:left;width:${width * scale}px;height:${height * scale}px;overflow:hidden"><div style="transform-origin:0 0;transform:scale(${scale / density})"><iframe src="/${path}" style="border:0;width:${width}px;height:${height}px;zoom:${density}"></iframe></div></div>`
			);
			response.end(`<!doctype html><body style="margin:0">${frames.join('')}`);
			return;
		}
		const content = files[name];
		if (content === undefined) return void response.writeHead(404).end();
		response.setHeader('content-type', lookup(name) ?? 'application/octet-stream');
		response.setHeader('cache-control', 'max-age=3600');
		response.end(content);
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/four`);
	const times = await page.evaluate(async () => {
		const frames = [...document.querySelectorAll('iframe')];
		const found: number[] = [];
		for (let i = 0; i < 9; i++) {
			await new Promise((resolve) => setTimeout(resolve, 200));
			const begun = performance.now();
			const loads = frames.map(
				(frame) => new Promise((resolve) => frame.addEventListener('load', resolve, { once: true }))
			);
			for (const frame of frames) frame.contentWindow?.location.reload();
			await Promise.all(loads);
			await new Promise((resolve) => requestAnimationFrame(resolve));
			found.push(performance.now() - begun);
		}
		return found;
	});
	server.close();
	return median(times.slice(2));
}

const typing = (what: string, files: () => Promise<Files>, path: string): Bench => ({
	name: `reloading four frames / keystroke to all four painted, ${what}`,
	goal: { atLeast: 10 },
	run: async () => {
		const given = await files();
		return withSite(given, async (page, server, site) => {
			await page.goto(`${server.url}/site/${site}/bench?page=${path}`);
			const key = await keystroke(page);
			const reload = await reloading(page, given, path);
			if (process.env.VERBOSE) console.log({ key, reload });
			return reload / key;
		});
	}
});

/** How long the application's main thread is held at the longest while a page is measured at 60 widths, ms. */
async function heldFor(args: readonly string[]): Promise<number> {
	return withSite(
		largePage(6000),
		async (page, server, site) => {
			await page.goto(`${server.url}/site/${site}/site`);
			await page.evaluate(await clientBundle());
			return page.evaluate(
				async ({ site, files }) => {
					const { openStage, measuringQueue, inertSource, parsePage } = globalThis.stageClient;
					const stage = await openStage(document.body, site, 1, { pattern: '{stage}.localhost', token: '' });
					stage.iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%;visibility:hidden';
					const queue = measuringQueue(() => Promise.resolve(stage), 1);
					const content = {
						address: `${stage.prefix}index.html`,
						html: inertSource(parsePage(files['index.html'] ?? '')),
						sheets: [{ element: [0, 1], text: files['look.css'] ?? '' }],
						rules: '',
						films: 'play' as const,
						rightToLeft: false,
						taps: false
					};
					const viewport = { width: 1000, height: 800, density: 1 };
					const measure = async (widths: readonly number[]): Promise<number> => {
						let count = 0;
						for await (const { snapshot } of queue.measure({ content, viewport, widths }))
							count += snapshot.count;
						return count;
					};
					await measure([333]);
					let longest = 0;
					let last = performance.now();
					const { port1, port2 } = new MessageChannel();
					port1.onmessage = () => {
						const now = performance.now();
						longest = Math.max(longest, now - last);
						last = now;
						port2.postMessage(null);
					};
					port2.postMessage(null);
					const count = await measure(Array.from({ length: 60 }, (_, i) => 400 + 10 * i));
					port1.close();
					if (count < 60 * 6000) throw new Error(`Only ${count} boxes were measured.`);
					return longest;
				},
				{ site, files: largePage(6000) }
			);
		},
		args
	);
}

export const benches: readonly Bench[] = [
	typing('demo', demoFiles, 'home.html'),
	typing('3,000 elements', async () => largePage(3000), 'index.html'),
	{
		name: 'main thread held by 60 widths of 6,000 elements: at its own origin / on a stage',
		goal: { atLeast: 20 },
		run: async () => {
			const apart = await heldFor([]);
			const together = await heldFor(['--host-resolver-rules=MAP *.localhost ~NOTFOUND']);
			return together / apart;
		}
	},
	{
		name: 'first script of the Bench, compressed / 450 kB',
		goal: { atMost: 1 },
		run: () =>
			withSite({ 'index.html': '<p>x' }, async (page, server, site) => {
				let size = 0;
				const reading: Promise<void>[] = [];
				page.on('response', (response) => {
					if (!response.url().startsWith(server.url) || response.request().resourceType() !== 'script')
						return;
					reading.push(response.body().then((body) => void (size += gzipSync(body).length)));
				});
				await page.goto(`${server.url}/site/${site}/bench`);
				await page.waitForFunction((mark) => performance.getEntriesByName(mark).length > 0, PAINTED);
				await Promise.all(reading);
				return size / 450_000;
			})
	}
];
