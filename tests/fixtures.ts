import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, expect, type BrowserContext, type Frame, type Page } from '@playwright/test';
import { bring, freshDemo, Server } from './server.ts';

export { bring, expect, freshDemo, Server, type Page };

/** What a page may say that is no fault of the application: what a site lacks, and what the policy keeps from it. */
const EXPECTED = [
	/^Failed to load resource/,
	/Content Security Policy|Content-Security-Policy/,
	/sandboxed|'allow-scripts'|'allow-forms'|^Unsafe attempt to load URL/
];

/** Errors on any page of a context, unhandled rejections and what is said to the console as one: none is let pass. */
export function errorsOf(context: BrowserContext): readonly string[] {
	const errors: string[] = [];
	context.on('weberror', (found) => errors.push(String(found.error().stack ?? found.error())));
	context.on('console', (message) => {
		if (message.type() === 'error' && !EXPECTED.some((one) => one.test(message.text())))
			errors.push(`${message.text()} (${message.location().url})`);
	});
	return errors;
}

/** `server` has the demo as its site 1; `empty` has no site, and is this test's alone. */
export const test = base.extend<{ empty: Server }, { server: Server }>({
	server: [
		// eslint-disable-next-line no-empty-pattern -- Playwright reads what a fixture wants from this pattern
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
	context: async ({ context }, use) => {
		const errors = errorsOf(context);
		await use(context);
		expect(errors, 'errors on the page or in the console').toEqual([]);
	},
	// eslint-disable-next-line no-empty-pattern -- as above
	empty: async ({}, use) => {
		const data = await mkdtemp(join(tmpdir(), 'vantaggio-'));
		const server = new Server(data);
		await server.start();
		await use(server);
		await server.kill();
		await rm(data, { recursive: true, force: true });
	}
});

/** The live frames of pages in the order in which they were made: the lead first, then the chorus; none that measures. */
export const pageFrames = (page: Page) =>
	page
		.frames()
		.filter(
			(frame) =>
				/\/\/stage-0\b.*\.localhost/.test(frame.parentFrame()?.url() ?? '') &&
				frame.parentFrame() !== page.mainFrame()
		);

/** What each live frame says; nothing while frames come and go, so that it can be asked again. */
export const inFrames = <X>(page: Page, work: () => X): Promise<X[] | null> =>
	Promise.all(pageFrames(page).map((frame) => frame.evaluate(work))).catch(() => null);

/** Asked of the prototype, for a page may have an element of the member's name. */
const isComplete = (): boolean =>
	Object.getOwnPropertyDescriptor(Document.prototype, 'readyState')?.get?.call(document) === 'complete';

/** Opens the Bench of a site and waits until its four frames have the page. */
export async function openBench(page: Page, server: Server, site = 1, query = ''): Promise<void> {
	await page.goto(`${server.url}/site/${site}/bench${query}`);
	await expect.poll(() => pageFrames(page).length).toBe(4);
	await expect.poll(async () => (await inFrames(page, isComplete))?.join()).toBe('true,true,true,true');
}

/** Clicks an element of a frame that is drawn smaller than it is, where the driver's own click misses. */
export async function clickIn(
	page: Page,
	words: string,
	frame: Frame,
	selector: string,
	key?: 'Control' | 'Shift'
): Promise<void> {
	const drawn = await page.locator('.frame', { hasText: words }).boundingBox();
	const [x, y, width] = await frame.locator(selector).evaluate((element) => {
		const { left, top, width: wide, height } = element.getBoundingClientRect();
		return [left + wide / 2, top + height / 2, innerWidth] as const;
	});
	const scale = (drawn?.width ?? 0) / width;
	if (key) await page.keyboard.down(key);
	await page.mouse.click((drawn?.x ?? 0) + x * scale, (drawn?.y ?? 0) + y * scale);
	if (key) await page.keyboard.up(key);
}

/** The text in the editor, without what is said beside its lines. */
export const shownText = (page: Page): Promise<string> =>
	page.locator('.cm-line').evaluateAll((lines) =>
		lines
			.map((line) => {
				const text = line.cloneNode(true) as HTMLElement;
				for (const said of text.querySelectorAll('[contenteditable=false]')) said.remove();
				return text.textContent;
			})
			.join('\n')
	);
