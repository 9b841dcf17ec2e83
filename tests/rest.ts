import { join } from 'node:path';
import type { BrowserContext, Page } from '@playwright/test';

/** Has every page of a context keep account of what it has begun. */
export const keepAccount = (context: BrowserContext): Promise<unknown> =>
	context.addInitScript({ path: join(import.meta.dirname, 'account.js') });

interface Accounted {
	atRest(depth: 'answered' | 'measured'): Promise<void>;
}

/** Waits until a page of the application has done what it was asked for; with what it measures for that, where it is to. */
export const atRest = (page: Page, depth: 'answered' | 'measured' = 'answered'): Promise<void> =>
	page.evaluate((how) => (globalThis as unknown as Accounted).atRest(how), depth);

/** Reads something once, when the application has done what it was asked for. */
export async function settled<T>(
	page: Page,
	read: () => T | Promise<T>,
	depth?: 'answered' | 'measured'
): Promise<T> {
	await atRest(page, depth);
	return read();
}
