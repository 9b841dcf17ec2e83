import { join } from 'node:path';
import type { BrowserContext, Page } from '@playwright/test';

/** Has every page of a context keep account of what it has begun. */
export const keepAccount = (context: BrowserContext): Promise<unknown> =>
	context.addInitScript({ path: join(import.meta.dirname, 'account.js') });

/** What the application marks when its frames show a page. */
export const PAINTED = 'vantaggio: frames painted';

/** Waits until the frames of an application that was just opened show the page. */
export const painted = (page: Page): Promise<void> =>
	page.evaluate(
		(mark) =>
			new Promise<void>((resolve) => {
				new PerformanceObserver((list, observer) => {
					if (list.getEntriesByName(mark).length === 0) return;
					observer.disconnect();
					resolve();
				}).observe({ type: 'mark', buffered: true });
			}),
		PAINTED
	);

type Depth = 'answered' | 'measured';

interface Accounted {
	atRest(depth: Depth): Promise<void>;
}

const ended = (page: Page, depth: Depth): Promise<void> =>
	page.evaluate((how) => (globalThis as unknown as Accounted).atRest(how), depth);

/** In a page: ends when it has been drawn twice. */
const drawn = (): Promise<unknown> =>
	new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));

/**
 * Waits until a page of the application has done what it was asked for, and so has the stage that shows its frames; with
 * what is measured for that, where it is to.
 */
export async function atRest(page: Page, depth: Depth = 'answered'): Promise<void> {
	await ended(page, depth);
	const stage = page
		.frames()
		.find((frame) => frame.parentFrame() === page.mainFrame() && /\/\/stage-0\b/.test(frame.url()));
	if (!stage) return;
	// What is scrolled or laid out there is told when it is drawn.
	await stage.evaluate(drawn).catch(() => undefined);
	await ended(page, depth);
}

/** Reads something once, when the application has done what it was asked for. */
export async function settled<T>(page: Page, read: () => T | Promise<T>, depth?: Depth): Promise<T> {
	await atRest(page, depth);
	return read();
}
