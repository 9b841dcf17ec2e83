import AxeBuilder from 'axe-core';
import { expect, openBench, test, type Page } from '../fixtures.ts';

/** What axe finds on a screen, the pages in its frames left out. */
async function findings(page: Page): Promise<string[]> {
	// Run in a world of its own: the page's policy lets no other script in.
	const session = await page.context().newCDPSession(page);
	const { frameTree } = await session.send('Page.getFrameTree');
	const { executionContextId } = await session.send('Page.createIsolatedWorld', {
		frameId: frameTree.frame.id
	});
	const expression = `${AxeBuilder.source}; axe.run(document, { iframes: false }).then((result) => JSON.stringify(result.violations.flatMap(({ id, nodes }) => nodes.map(({ target, failureSummary }) => id + ' ' + target + ' ' + failureSummary))))`;
	const { result } = await session.send('Runtime.evaluate', {
		expression,
		contextId: executionContextId,
		awaitPromise: true
	});
	return JSON.parse(String(result.value)) as string[];
}

for (const colorScheme of ['light', 'dark'] as const) {
	test(`axe finds nothing on any screen, ${colorScheme}`, async ({ page, server, empty }) => {
		await page.emulateMedia({ colorScheme });
		await page.goto(empty.url);
		await expect(page.getByRole('heading', { name: 'Open a page of yours' })).toBeVisible();
		expect(await findings(page), 'first visit').toEqual([]);
		await openBench(page, server);
		await page.getByRole('button', { name: 'Threshold 700' }).focus();
		expect(await findings(page), 'Bench').toEqual([]);
		await page.getByText('Switches').click();
		await page.getByLabel('right to left').check();
		await page.getByText('Wrap', { exact: true }).click();
		expect(await findings(page), 'Bench with a menu and a switch').toEqual([]);
		await page.getByRole('button', { name: 'all off' }).click();
		await page.getByRole('button', { name: 'Keys' }).click();
		expect(await findings(page), 'keys').toEqual([]);
		await page.keyboard.press('Escape');
		await page.goto(`${server.url}/site/1/site`);
		await expect(page.getByRole('heading', { name: 'Missing' })).toBeVisible();
		expect(await findings(page), 'Site').toEqual([]);
		await page.getByRole('button', { name: 'Change Handset' }).click();
		await page.getByLabel('Width, px').fill('0');
		await page.getByRole('button', { name: 'Keep', exact: true }).click();
		await expect(page.getByText('0 is less than 100')).toBeVisible();
		expect(await findings(page), 'vantage form').toEqual([]);
		await page.goto(`${server.url}/site/99/bench`);
		await expect(page.getByText('There is no site 99 here')).toBeVisible();
		expect(await findings(page), 'error').toEqual([]);
	});
}
