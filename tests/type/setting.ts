import { expect, framesShown, pageFrames, type Page, type Server } from '../fixtures.ts';

/** Opens the Type screen of a site and waits until the page's sizes are read. */
export async function openType(page: Page, server: Server, site = 1, query = ''): Promise<void> {
	await page.goto(`${server.url}/site/${site}/type${query}`);
	await framesShown(page);
	await expect(page.getByText(/\d+ texts? of this page/)).toBeVisible();
}

/** The size of an element of the lead in the engine, px. */
export const sizeIn = (page: Page, selector: string): Promise<number> =>
	pageFrames(page)[0]
		?.locator(selector)
		.first()
		.evaluate((one) => Number.parseFloat(getComputedStyle(one).fontSize)) ?? Promise.resolve(NaN);

/** Moves the carriage. */
export async function carriageTo(page: Page, width: number): Promise<void> {
	const carriage = page.getByLabel('Width of the carriage, px');
	await carriage.fill(String(width));
	await carriage.press('Enter');
}

/** A panel of the screen, brought to the front. */
export async function panel(page: Page, name: string) {
	await page.getByRole('tab', { name }).click();
	return page.getByRole('tabpanel', { name });
}
