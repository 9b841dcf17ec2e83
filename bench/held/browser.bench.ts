import type { Page } from '@playwright/test';
import type { Bench } from '../bench.ts';
import type { Server } from '../../tests/server.ts';
import { fluidFiles, painted, toDrag, withSite, type Files } from '../browser.ts';
import { largePage } from '../pages.ts';
import { largeSheet } from '../sheets.ts';

/** Something that is done in the application while its main thread is watched. */
interface Scene {
	readonly name: string;
	readonly files: Files;
	/** Preparation, not watched. */
	readonly before?: (page: Page, server: Server, site: number) => Promise<void>;
	readonly work: (page: Page) => Promise<void>;
}

const link = (body: string): string =>
	`<!doctype html><html lang="en"><head><title>x</title><link rel="stylesheet" href="look.css"></head><body>${body}</body></html>`;

const parts = Array.from(
	{ length: 300 },
	(_, i) => `<div class="part-${i}"><p class="inner">Words ${i}</p></div>`
).join('\n');

/** Types some letters at the beginning of the sheet, and waits for the consequences. */
async function type(page: Page, letters: number): Promise<void> {
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+Home');
	const words = 'p { margin: 0 } ';
	for (let i = 0; i < letters; i++) {
		await page.keyboard.type(words.charAt(i % words.length));
		await page.waitForTimeout(40);
	}
	await page.waitForTimeout(3000);
}

const rules = Array.from({ length: 1500 }, (_, i) => {
	const rule = `.c${i % 7} .x${i}, .card:nth-child(${i + 1}) p { margin-left: ${i % 9}px }`;
	return i % 5 === 0 ? `${rule}\n@media (min-width: ${300 + i}px) { .c${i % 7} b { padding: 1px } }` : rule;
}).join('\n');
const large = largePage(3000);
const { 'index.html': list = '', 'look.css': look = '' } = largePage(1200);

let drag: (moves: number) => Promise<void> = () => Promise.resolve();
const dragging: Scene = {
	name: 'dragging an end of a size on Type, a page of 3,000 elements',
	files: fluidFiles(large),
	before: async (page, server, site) => {
		drag = await toDrag(page, server, site);
	},
	work: () => drag(20)
};

const SCENES: readonly Scene[] = [
	{
		name: 'typing 200 letters into a sheet of 6,000 lines',
		files: { 'index.html': link(parts), 'look.css': largeSheet(170_000) },
		before: (page) => page.waitForTimeout(4000),
		work: (page) => type(page, 200)
	},
	{
		name: 'opening a page of 3,000 elements with 1,500 rules',
		files: { ...large, 'look.css': `${large['look.css']}${rules}` },
		work: (page) => page.waitForTimeout(5000)
	},
	{
		name: 'a Wake over five pages with 1,500 rules',
		files: {
			...Object.fromEntries(['index', 'a', 'b', 'c', 'd'].map((name) => [`${name}.html`, list])),
			'look.css': `${look}${rules}`
		},
		before: (page) => page.waitForTimeout(3000),
		work: async (page) => {
			await type(page, 16);
			await page.locator('.wake').waitFor();
			await page.waitForTimeout(10_000);
		}
	},
	{
		name: 'sweeping a page of 6,000 elements for half a minute',
		files: largePage(6000),
		before: (page) => page.waitForTimeout(4000),
		work: async (page) => {
			await page.getByRole('tab', { name: 'Findings' }).click();
			await page.waitForTimeout(30_000);
		}
	},
	dragging
];

/** In the page: records tasks that block its main thread for more than 50 ms. */
const WATCH = `globalThis.held = [];
new PerformanceObserver((list) => {
	for (const { duration } of list.getEntries()) globalThis.held.push(duration);
}).observe({ type: 'longtask', buffered: true });`;

/** In the page: runs the code of worker threads in a frame of the same origin, and so on the main thread. */
const UNTHREADED = `if (top === self) globalThis.Worker = class extends EventTarget {
	constructor(url) {
		super();
		const frame = this.frame = document.createElement('iframe');
		frame.hidden = true;
		document.documentElement.append(frame);
		this.waiting = [];
		const { contentWindow: inner, contentDocument: its } = frame;
		inner.postMessage = (data, transfer = []) =>
			this.dispatchEvent(new MessageEvent('message', { data: structuredClone(data, { transfer }) }));
		const script = its.createElement('script');
		script.type = 'module';
		script.src = new URL(url, location.href);
		script.onload = () => {
			const tell = (data) => setTimeout(() => {
				globalThis.asked = (globalThis.asked ?? 0) + 1;
				inner.dispatchEvent(new inner.MessageEvent('message', { data, origin: location.origin }));
			});
			for (const data of this.waiting) tell(data);
			this.waiting = { push: tell };
		};
		its.head.append(script);
	}
	postMessage(data, transfer = []) { this.waiting.push(structuredClone(data, { transfer })); }
	terminate() { this.frame.remove(); }
};`;

/** How long tasks of more than 50 ms blocked the main thread, in total and the longest, ms. */
async function heldBy({ files, before, work }: Scene, isThreaded: boolean): Promise<[number, number]> {
	return withSite(files, async (page, server, site) => {
		await page.addInitScript(WATCH);
		if (!isThreaded) await page.addInitScript(UNTHREADED);
		await page.goto(`${server.url}/site/${site}/bench?page=index.html`);
		await painted(page);
		if (before) {
			await before(page, server, site);
			await page.evaluate('globalThis.held.length = 0');
		}
		await work(page);
		const held = await page.evaluate<number[]>('globalThis.held');
		// Without any questions there is nothing to compare.
		if (!isThreaded && !(await page.evaluate<number>('globalThis.asked ?? 0')))
			throw new Error('Nothing was asked of what stands for a thread.');
		return [held.reduce((sum, one) => sum + one, 0), Math.max(0, ...held)];
	});
}

export const benches: readonly Bench[] = SCENES.flatMap((scene) => {
	let longest = NaN;
	return [
		{
			name: `${scene.name}: main thread held / the same without threads`,
			goal: { atMost: 0.1 },
			run: async () => {
				// Alternately, and the least of each: other processes use the machine too.
				const runs: (readonly [threaded: [number, number], whole: [number, number]])[] = [];
				for (let i = 0; i < 3; i++) runs.push([await heldBy(scene, true), await heldBy(scene, false)]);
				if (process.env.VERBOSE) console.log(runs);
				const [all, most] = [0, 1].map((i) => Math.min(...runs.map(([one]) => one[i] ?? NaN)));
				const whole = Math.min(...runs.map(([, [one]]) => one));
				longest = most ?? NaN;
				// Where nothing blocks it there is nothing to compare.
				return all === 0 ? 0 : (all ?? NaN) / whole;
			}
		},
		{
			name: `${scene.name}: longest task / 100 ms`,
			goal: { atMost: 1 },
			run: async () => (Number.isNaN(longest) ? (await heldBy(scene, true))[1] : longest) / 100
		}
	];
});
