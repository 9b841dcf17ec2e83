import { join } from 'node:path';
import type { CDPSession, Page } from '@playwright/test';
import { build } from 'esbuild';
import type { VantageRecord } from '../../src/lib/api.ts';
import { median, type Bench } from '../bench.ts';
import { bareFrames, keystroke, PAINTED, reloading, withSite, type BareFrame, painted } from '../browser.ts';
import { demoFiles, largePage } from '../pages.ts';
import { largeSheet } from '../sheets.ts';

/** A sheet of 5,000 lines. */
const LONG = `${largeSheet(140_000).split('\n').slice(0, 4999).join('\n')}\n`;

/** Puts the caret of a page's editor at its end, within a comment. */
async function atTheEnd(page: Page): Promise<void> {
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.insertText('/* ');
}

/** Median time from a key in the editor of a page to its letter painted, ms. */
async function letters(page: Page): Promise<number> {
	await page.bringToFront();
	await page.locator('.cm-content').focus();
	await page.waitForTimeout(1200);
	const times = await page.evaluate(async () => {
		const found: number[] = [];
		for (let i = 0; i < 20; i++) {
			// Evenly at every phase of the screen's updates, which come every 17 ms.
			await new Promise((resolve) => setTimeout(resolve, 120 + ((i * 7) % 17)));
			const begun = performance.now();
			document.execCommand('insertText', false, 'x');
			await new Promise<void>((resolve) =>
				requestAnimationFrame(() => {
					const { port1, port2 } = new MessageChannel();
					port1.onmessage = () => resolve();
					port2.postMessage(null);
				})
			);
			found.push(performance.now() - begun);
		}
		return found;
	});
	return median(times.slice(5));
}

/** The bare editor, with the same highlighting, as a script. */
async function bareEditor(): Promise<string> {
	const { outputFiles } = await build({
		stdin: {
			contents: `import { EditorState } from '@codemirror/state';
import { EditorView, keymap, lineNumbers, drawSelection } from '@codemirror/view';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { css } from '@codemirror/lang-css';
import { syntaxHighlighting, defaultHighlightStyle } from '@codemirror/language';
globalThis.bare = (doc) => new EditorView({ parent: document.body, state: EditorState.create({ doc, extensions: [lineNumbers(), history(), drawSelection(), css(), syntaxHighlighting(defaultHighlightStyle), EditorView.theme({ '&': { height: '600px', width: '480px', fontSize: '13px' } }), keymap.of([...defaultKeymap, ...historyKeymap])] }) });`,
			resolveDir: join(import.meta.dirname, '..', '..')
		},
		bundle: true,
		format: 'iife',
		write: false
	});
	return outputFiles[0]?.text ?? '';
}

/** Puts so many vantages of a site beside the lead. */
async function beside(server: string, site: number, count: number): Promise<void> {
	const { vantages, vantagesVersion: base } = (await (await fetch(`${server}/api/sites/${site}`)).json()) as {
		vantages: readonly VantageRecord[];
		vantagesVersion: string;
	};
	const list = vantages.map((one, i) => ({ ...one, chorus: i < count }));
	const response = await fetch(`${server}/api/sites/${site}/vantages`, {
		method: 'PUT',
		headers: { 'content-type': 'application/json', origin: server },
		body: JSON.stringify({ base, vantages: list })
	});
	if (!response.ok) throw new Error(await response.text());
}

/** The lead and five vantages, as the Bench draws them at 1280 × 800. */
const SIX_FRAMES: readonly BareFrame[] = [
	[812, 470, 1, 0.84],
	[320, 600, 2, 0.2],
	[400, 800, 2.5, 0.15],
	[800, 1100, 2, 0.11],
	[1300, 740, 2, 0.15],
	[1560, 880, 1, 0.13]
];

const sixFrames: Bench = {
	name: 'reloading six bare frames of 3,000 elements / keystroke to all six painted',
	goal: { atLeast: 8 },
	run: () => {
		const files = largePage(3000);
		return withSite(files, async (page, server, site) => {
			await beside(server.url, site, 5);
			await page.goto(`${server.url}/site/${site}/bench?page=index.html`);
			const key = await keystroke(page);
			return (await reloading(page, files, 'index.html', SIX_FRAMES)) / key;
		});
	}
};

/** Bytes that scripts of the application and of its stages use, after garbage collection. */
async function held(sessions: readonly CDPSession[]): Promise<number> {
	let sum = 0;
	for (const session of sessions) {
		await session.send('HeapProfiler.collectGarbage');
		const { metrics } = await session.send('Performance.getMetrics');
		sum += metrics.find(({ name }) => name === 'JSHeapUsedSize')?.value ?? 0;
	}
	return sum;
}

const memory: Bench = {
	name: 'memory of application and stage after 2,000 edits of a page of 3,000 elements in six frames / after 200',
	goal: { atMost: 1.1 },
	run: () =>
		withSite(largePage(3000), async (page, server, site) => {
			await beside(server.url, site, 5);
			await page.goto(`${server.url}/site/${site}/bench?page=index.html`);
			await keystroke(page);
			const stage = page.frames().find((frame) => frame.url().includes('.vantaggio/host.html'));
			const context = page.context();
			const sessions = [
				await context.newCDPSession(page),
				...(stage ? [await context.newCDPSession(stage)] : [])
			];
			for (const session of sessions) {
				await session.send('Performance.enable');
				await session.send('HeapProfiler.enable');
			}
			const edit = (times: number): Promise<void> =>
				page.evaluate(async (count) => {
					for (let i = 0; i < count; i++) {
						document.execCommand('delete');
						document.execCommand('insertText', false, String(i % 10));
						await new Promise((resolve) => requestAnimationFrame(resolve));
					}
				}, times);
			await edit(100);
			const before = await held(sessions);
			await edit(900);
			return (await held(sessions)) / before;
		})
};

const secondOpening: Bench = {
	name: 'opening the demo’s Bench a second time, to all frames painted / its page in six bare frames, to all loaded',
	goal: { atMost: 2 },
	run: async () => {
		const files = await demoFiles();
		return withSite(files, async (page, server, site) => {
			await beside(server.url, site, 5);
			const times: number[] = [];
			const bare: number[] = [];
			await bareFrames(files, 'home.html', SIX_FRAMES, async (address) => {
				// Alternately, because the machine's speed varies.
				for (let i = 0; i < 12; i++) {
					await page.goto(`${server.url}/site/${site}/bench?page=home.html`);
					await painted(page);
					times.push(
						await page.evaluate((mark) => performance.getEntriesByName(mark)[0]?.startTime ?? NaN, PAINTED)
					);
					await page.goto(address, { waitUntil: 'load' });
					bare.push(
						await page.evaluate(
							() => new Promise<number>((resolve) => requestAnimationFrame(() => resolve(performance.now())))
						)
					);
				}
			});
			return median(times.slice(1)) / median(bare.slice(1));
		});
	}
};

const typing: Bench = {
	name: 'key to painted letter in a sheet of 5,000 lines / the same in the bare editor',
	goal: { atMost: 1.3 },
	run: () =>
		withSite(
			{ 'index.html': '<!doctype html><link rel=stylesheet href=a.css><p>x', 'a.css': LONG },
			async (page, server, site) => {
				await page.goto(`${server.url}/site/${site}/bench?page=index.html`);
				await painted(page);
				await atTheEnd(page);
				const other = await page
					.context()
					.browser()
					?.newPage({ viewport: { width: 1280, height: 800 } });
				if (!other) throw new Error('The browser is gone.');
				await other.evaluate(await bareEditor());
				await other.evaluate(
					(doc) => void (globalThis as unknown as { bare(doc: string): void }).bare(doc),
					LONG
				);
				await atTheEnd(other);
				// Alternately, because the machine's speed varies.
				const ratios: number[] = [];
				for (let round = 0; round < 13; round++) {
					const [ours, bare] = [await letters(page), await letters(other)];
					if (process.env.VERBOSE) console.log({ ours, bare });
					ratios.push(ours / bare);
				}
				await other.close();
				return median(ratios);
			}
		)
};

export const benches: readonly Bench[] = [typing, sixFrames, memory, secondOpening];
