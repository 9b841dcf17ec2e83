import type { Worker } from '@playwright/test';
import { bring, expect, inFrames, test, type Page, type Server } from '../fixtures.ts';
import { settled } from '../rest.ts';

const files = (i: number): Record<string, string> => ({
	'index.html': `<!doctype html><link rel=stylesheet href=a.css><h1>Site ${i}</h1>${'<p class=x>words <b>and</b> more</p>'.repeat(40)}`,
	'a.css': 'h1 { color: red }\n.x { margin: 1px }\n@media (width < 700px) { .x { margin: 2px } }\n'
});

/** What is in use in all places that could only grow. */
interface Use {
	readonly heap: number;
	readonly nodes: number;
	readonly listeners: number;
	readonly documents: number;
	readonly server: number;
	readonly stored: number;
	readonly browser: number;
}

async function inUse(page: Page, server: Server): Promise<Use> {
	// The engine keeps what has left a document until it is next drawn.
	await page.evaluate(
		() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)))
	);
	const session = await page.context().newCDPSession(page);
	// What one collection frees lets the next free more.
	for (let i = 0; i < 3; i++) await session.send('HeapProfiler.collectGarbage');
	const { usedSize: heap } = await session.send('Runtime.getHeapUsage');
	const { nodes, jsEventListeners: listeners, documents } = await session.send('Memory.getDOMCounters');
	await session.detach();
	const browser = await page.evaluate(async () => (await navigator.storage.estimate()).usage ?? 0);
	const [used, stored] = await Promise.all([server.memory(), server.stored()]);
	return { heap, nodes, listeners, documents, server: used, stored, browser };
}

/** Goes to an address within the application, as a link does. */
const follow = (page: Page, href: string): Promise<void> =>
	page.evaluate((to) => {
		const link = document.createElement('a');
		link.href = to;
		document.body.append(link);
		link.click();
		link.remove();
	}, href);

const says = (): string => document.querySelector('h1')?.textContent ?? '';
const lineHeight = (): string => {
	const heading = document.querySelector('h1');
	return heading ? getComputedStyle(heading).lineHeight : '';
};

test('thirty sites opened and left, and two hundred edits: what is in use levels off everywhere', async ({
	page,
	alone
}) => {
	const sites: number[] = [];
	for (let i = 0; i < 30; i++) sites.push(await bring(alone, files(i)));
	await page.goto(alone.url);
	const opened: Use[] = [];
	const open = async (i: number): Promise<void> => {
		await follow(page, `/site/${sites[i]}/bench`);
		await page.waitForURL(`**/site/${sites[i]}/bench`);
		expect(await settled(page, async () => [...new Set(await inFrames(page, says))].join())).toBe(
			`Site ${i}`
		);
	};
	for (const i of sites.keys()) {
		await open(i);
		if (i % 10 < 9) continue;
		// What comes in quiet time has come with its last part: one thread that measures, of this site alone.
		const measuring = (): number => page.workers().filter((one) => one.url().includes('measuring')).length;
		await new Promise<void>((resolve) => {
			const look = (): void => {
				if (measuring() !== 1) return;
				page.off('worker', hear);
				resolve();
			};
			const hear = (worker: Worker): void => {
				worker.on('close', look);
				look();
			};
			page.on('worker', hear);
			page.workers().forEach(hear);
			look();
		});
		opened.push(await inUse(page, alone));
	}
	const [ten, , thirty] = opened as [Use, Use, Use];
	console.log('ten and thirty sites opened and left:', ten, thirty);
	// One that is used for a moment may be there at either time.
	expect(thirty.documents).toBeLessThanOrEqual(ten.documents + 1);
	expect(thirty.nodes).toBeLessThan(1.1 * ten.nodes);
	expect(thirty.listeners).toBeLessThan(1.1 * ten.listeners);
	expect(thirty.heap).toBeLessThan(1.15 * ten.heap);
	expect(thirty.server).toBeLessThan(1.5 * ten.server);
	expect(thirty.stored).toBeLessThan(1.2 * ten.stored);

	const edited: Use[] = [];
	await page.locator('.cm-content').click();
	for (let i = 1; i <= 200; i++) {
		await page.keyboard.press('Control+End');
		await page.keyboard.insertText(`\nh1 { line-height: ${i}px }`);
		if (i % 10 === 0)
			expect(await settled(page, async () => (await inFrames(page, lineHeight))?.[0])).toBe(`${i}px`);
		await page.keyboard.press('Control+z');
		if (i % 100 === 0) edited.push(await inUse(page, alone));
	}
	const [hundred, all] = edited as [Use, Use];
	console.log('a hundred and two hundred edits:', hundred, all);
	// Nodes are not compared: the browser's own undo keeps those of its last thousand steps.
	expect(all.listeners).toBeLessThan(1.1 * hundred.listeners);
	expect(all.heap).toBeLessThan(1.15 * hundred.heap);
	expect(all.server).toBeLessThan(1.5 * hundred.server);
	// Its journal is written over from the beginning once it has 4 MB.
	expect(all.stored).toBeLessThan(thirty.stored + 6_000_000);
	expect(all.browser).toBeLessThan(hundred.browser + 200_000);
});
