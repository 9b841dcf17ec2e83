import { gzipSync } from 'node:zlib';
import type { Response } from '@playwright/test';
import { clientBundle } from '../../tests/bundle.ts';
import { median, type Bench } from '../bench.ts';
import { keystroke, PAINTED, reloading, withSite, type Files, painted } from '../browser.ts';
import { demoFiles, largePage } from '../pages.ts';

const typing = (what: string, files: () => Promise<Files>, path: string): Bench => ({
	name: `reloading four frames / keystroke to all four painted, ${what}`,
	goal: { atLeast: 10 },
	run: async () => {
		const given = await files();
		return withSite(given, async (page, server, site) => {
			const ratios: number[] = [];
			for (let i = 0; i < 3; i++) {
				await page.goto(`${server.url}/site/${site}/bench?page=${path}`);
				const key = await keystroke(page);
				const reload = await reloading(page, given, path);
				if (process.env.VERBOSE) console.log({ key, reload });
				ratios.push(reload / key);
			}
			return median(ratios);
		});
	}
});

/** The longest time that the application's main thread is blocked while a page is measured at 60 widths, ms. */
async function heldFor(args: readonly string[]): Promise<number> {
	return withSite(
		largePage(6000),
		async (page, server, site) => {
			await page.goto(`${server.url}/site/${site}/site`);
			await page.evaluate(await clientBundle());
			return page.evaluate(
				async ({ site, files }) => {
					const { openStage, measuringQueue } = globalThis.stageClient;
					const stage = await openStage(document.body, site, 1, { pattern: 'stage-{n}-s{site}.localhost' });
					stage.iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%;visibility:hidden';
					const queue = measuringQueue(() => Promise.resolve(stage), 1);
					const content = {
						address: `${stage.prefix}index.html`,
						html: files['index.html'] ?? '',
						sheets: [{ element: [0, 1], text: files['look.css'] ?? '' }],
						rules: '',
						films: 'play' as const,
						rightToLeft: false,
						staged: [],
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
				const scripts: Response[] = [];
				page.on('response', (response) => {
					const isScript = response.request().resourceType() === 'script';
					if (isScript && response.url().startsWith(server.url)) scripts.push(response);
				});
				await page.goto(`${server.url}/site/${site}/bench`);
				await painted(page);
				// What is loaded after the frames are painted does not count.
				const later = await page.evaluate((mark) => {
					const painted = performance.getEntriesByName(mark)[0]?.startTime ?? 0;
					return performance
						.getEntriesByType('resource')
						.filter(({ startTime }) => startTime > painted)
						.map(({ name }) => name);
				}, PAINTED);
				const first = scripts.filter((script) => !later.includes(script.url()));
				const bodies = await Promise.all(first.map((script) => script.body()));
				const size = bodies.reduce((sum, body) => sum + gzipSync(body).length, 0);
				return size / 450_000;
			})
	}
];
