import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, chromium, expect, type BrowserContext, type Frame, type Page } from '@playwright/test';
import { LAUNCH, VIEWPORT } from './launch.ts';
import { asSaved, bring, freshDemo, Server, withServer } from './server.ts';
import { keepAccount, painted } from './rest.ts';

export { bring, expect, freshDemo, Server, type Page };

/** Console messages that are no fault of the application: what a site lacks, and what the policy blocks. */
const EXPECTED = [
	/^Failed to load resource/,
	/Content Security Policy|Content-Security-Policy/,
	/sandboxed|'allow-scripts'|'allow-forms'|^Unsafe attempt to load URL/
];

/** Collects errors on any page of a context, unhandled rejections and console errors: none is allowed. */
export function errorsOf(context: BrowserContext): string[] {
	const errors: string[] = [];
	context.on('weberror', (found) => {
		const { name, message, stack } = found.error();
		errors.push(`${name}: ${message}\n${stack} (${found.page()?.url()})`);
	});
	context.on('console', (message) => {
		if (message.type() === 'error' && !EXPECTED.some((one) => one.test(message.text())))
			errors.push(`${message.text()} (${message.location().url})`);
	});
	return errors;
}

/** Deletes every site of a server. */
async function clear({ url }: Server): Promise<void> {
	const sites = (await (await fetch(`${url}/api/sites`)).json()) as readonly { readonly id: number }[];
	for (const { id } of sites) {
		const answer = await fetch(`${url}/api/sites/${id}`, { method: 'DELETE', headers: { origin: url } });
		if (!answer.ok) throw new Error(await answer.text());
	}
}

interface ForOne {
	/** A server with the demo as its site 1, with nothing unsaved in it at the start of the test. */
	readonly server: Server;
	/** A server without sites at the start of the test. */
	readonly empty: Server;
	/** A server for this test alone: it may be ended, and its data be counted. */
	readonly alone: Server;
}

interface ForWorker {
	/** A server with the demo as its site 1, as the previous test has left it. */
	readonly demo: Server;
	readonly bare: Server;
	/**
	 * One browser profile for all tests of a worker, so that the application is compiled once; and the errors on its
	 * pages.
	 */
	readonly profile: { readonly context: BrowserContext; readonly errors: string[] };
}

export const test = base.extend<ForOne, ForWorker>({
	// eslint-disable-next-line no-empty-pattern -- Playwright reads what a fixture wants from this pattern
	demo: [({}, use) => withServer(['--demo'], use), { scope: 'worker' }],
	// eslint-disable-next-line no-empty-pattern -- as above
	bare: [({}, use) => withServer([], use), { scope: 'worker' }],
	profile: [
		// eslint-disable-next-line no-empty-pattern -- as above
		async ({}, use) => {
			const folder = await mkdtemp(join(tmpdir(), 'vantaggio-profile-'));
			const context = await chromium.launchPersistentContext(folder, { ...LAUNCH, viewport: VIEWPORT });
			await keepAccount(context);
			await use({ context, errors: errorsOf(context) });
			await context.close();
			await rm(folder, { recursive: true, force: true });
		},
		{ scope: 'worker' }
	],
	context: async ({ profile: { context, errors } }, use) => {
		errors.length = 0;
		await use(context);
		// Everything that a test has opened, stored and been allowed ends with it.
		const pages = context.pages();
		const origins = new Set(pages.map((page) => new URL(page.url()).origin));
		const blank = await context.newPage();
		// A page that is still there would be at work on what is cleared.
		for (const page of pages) await page.close();
		const session = await context.newCDPSession(blank);
		for (const origin of origins)
			if (origin !== 'null')
				await session.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
		await blank.close();
		await context.clearPermissions();
		expect(errors, 'errors on the page or in the console').toEqual([]);
	},
	page: async ({ context }, use) => use(await context.newPage()),
	server: async ({ demo }, use) => {
		await asSaved(demo, 1);
		await use(demo);
	},
	empty: async ({ bare }, use) => {
		await clear(bare);
		await use(bare);
	},
	// eslint-disable-next-line no-empty-pattern -- as above
	alone: ({}, use) => withServer([], use)
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

/** Waits until the frames of an application that was just opened show the page and, where that is said, are so many. */
export async function framesShown(page: Page, count?: number): Promise<void> {
	await painted(page);
	if (count === undefined) return;
	await new Promise<void>((resolve) => {
		const look = (): void => {
			if (pageFrames(page).length !== count) return;
			page.off('frameattached', look).off('framenavigated', look).off('framedetached', look);
			resolve();
		};
		page.on('frameattached', look).on('framenavigated', look).on('framedetached', look);
		look();
	});
	for (const frame of pageFrames(page)) expect(await frame.evaluate(isComplete)).toBe(true);
}

/** Opens the Bench of a site and waits until its four frames have the page. */
export async function openBench(page: Page, server: Server, site = 1, query = ''): Promise<void> {
	await page.goto(`${server.url}/site/${site}/bench${query}`);
	await framesShown(page, 4);
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

/** Brings the caret to an end of its line: pressed once, the key goes to the end of the wrapped row. */
export async function toLine(page: Page, end: 'Home' | 'End'): Promise<void> {
	await page.keyboard.press(end);
	await page.keyboard.press(end);
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
