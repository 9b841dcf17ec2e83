import { createServer, type Server as HttpServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { bring, errorsOf, expect, openBench, pageFrames, test } from '../fixtures.ts';
import { LAUNCH } from '../launch.ts';
import { hostileFiles } from './hostile.ts';
import { keepAccount, settled } from '../rest.ts';

/** A server elsewhere that counts who comes: requests, and connections without any. */
async function outside(): Promise<{ address: string; seen: string[]; server: HttpServer }> {
	const seen: string[] = [];
	const server = createServer((request, response) => {
		seen.push(`request ${request.url ?? ''}`);
		response.end();
	});
	server.on('connection', () => seen.push('connection'));
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	return { address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, seen, server };
}

test('a hostile page runs nothing, goes nowhere and fetches nothing from elsewhere', async ({
	page,
	server
}) => {
	const { address, seen, server: listener } = await outside();
	const site = await bring(server, hostileFiles(address));
	const popups: string[] = [];
	page.context().on('page', (popup) => popups.push(popup.url()));
	page.on('download', (download) => popups.push(download.url()));
	await openBench(page, server, site);
	const here = page.url();
	for (const frame of pageFrames(page)) {
		await expect(frame.locator('#last')).toHaveCSS('color', 'rgb(1, 2, 3)');
		await expect(frame.locator('#noscript')).toBeHidden();
		expect(await frame.locator('#written').count()).toBe(0);
	}
	const lead = pageFrames(page)[0];
	if (!lead) throw new Error('The lead is missing.');
	for (const id of ['link', 'blank', 'download', 'script', 'top', 'ping', 'send', 'handler', 'svglink']) {
		await lead.locator(`#${id}`).click({ force: true });
		await lead.locator(`#${id}`).click({ force: true, button: 'middle' });
		await lead.locator(`#${id}`).dispatchEvent('click');
	}
	await lead.locator('#form').evaluate((form: HTMLFormElement) => form.requestSubmit());
	// A refresh after 0 s, and whatever was set off, would have come by the time that an edit has come through.
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	await page.keyboard.type('\n#last { outline: 3px solid rgb(4, 5, 6) }');
	for (const frame of pageFrames(page))
		await expect(frame.locator('#last')).toHaveCSS('outline-color', 'rgb(4, 5, 6)');
	for (const frame of pageFrames(page))
		expect(await frame.locator('html').getAttribute('data-ran')).toBeNull();
	expect(await page.evaluate(() => 'ran' in window)).toBe(false);
	await page.getByRole('combobox', { name: 'Page' }).selectOption('based.html');
	await lead.locator('#link').click();
	expect(pageFrames(page)).toHaveLength(4);
	// Clicks select, which the address tells.
	expect(page.url().replace(/&at=[\d.,]+$/, '')).toBe(`${here.split('?')[0]}?page=based.html`);
	expect(popups).toEqual([]);
	expect(seen).toEqual([]);
	// The listener does listen.
	await fetch(`${address}/proof`);
	expect(seen).toEqual(['connection', 'request /proof']);
	listener.close();
});

test('the API refuses a stage, by Host, by Origin and by Sec-Fetch-Site; a stage gets no file of the application', async ({
	page,
	server
}) => {
	const stage = `http://stage-0-s1.localhost:${server.port}`;
	const asked = async (path: string, headers: Record<string, string>): Promise<number> =>
		(await page.request.get(`${server.url}${path}`, { headers })).status();
	const host = `stage-0-s1.localhost:${server.port}`;
	expect(await asked('/api/sites', {})).toBe(200);
	// A stage's addresses are its site's.
	expect(await asked('/api/sites', { host })).toBe(404);
	expect(await asked('/api/sites', { origin: stage })).toBe(403);
	expect(await asked('/api/sites', { 'sec-fetch-site': 'cross-site' })).toBe(403);
	expect(await asked('/api/sites', { host: 'elsewhere.test' })).toBe(403);
	const posted = await page.request.post(`${server.url}/api/sites?demo`, { headers: { origin: stage } });
	expect(posted.status()).toBe(403);
	expect(posted.headers()['content-type']).toContain('application/problem+json');

	const response = await page.goto(server.url);
	const script = /\/_app\/immutable\/entry\/start[^"]*\.js/.exec((await response?.text()) ?? '')?.[0] ?? '';
	expect(await asked(script, {})).toBe(200);
	for (const path of [script, '/', '/favicon.svg', '/site/1/bench'])
		expect(await asked(path, { host }), path).toBe(404);
	expect(await asked('/img/map.svg', { host })).toBe(200);
	expect(await asked('/img/map.svg', { host: `stage-0-s999.localhost:${server.port}` })).toBe(404);
	const file = await page.request.get(`${server.url}/home.html`, { headers: { host } });
	expect(file.headers()['content-security-policy']).toContain('sandbox');
	const own = await page.request.get(`${server.url}/site/1/bench`);
	expect(own.headers()['content-security-policy']).toMatch(/default-src 'none'.*script-src 'self' 'nonce-/);
	expect(own.headers()['content-security-policy']).not.toContain('unsafe-inline');
});

test('a page without a doctype lays out as in a tab of its own', async ({ page, server }) => {
	const quirky =
		'<title>x</title><style>div { height: 50% } td { font-size: 30px }</style><div id=a>a<div id=b>b</div></div><table style="font-size: 9px"><tr><td>x<table><tr><td id=c>c</table></table><p id=d>end';
	const site = await bring(server, { 'index.html': quirky });
	await openBench(page, server, site);
	const boxes = (): string =>
		JSON.stringify([
			document.compatMode,
			...[...document.body.querySelectorAll('*')].map((element) => {
				const { x, y, width, height } = element.getBoundingClientRect();
				return [element.localName, x, y, width, height];
			})
		]);
	const lead = pageFrames(page)[0];
	const size = await lead?.evaluate(() => ({ width: innerWidth, height: innerHeight }));
	const framed = await lead?.evaluate(boxes);
	await page.setViewportSize(size ?? { width: 0, height: 0 });
	await page.goto('about:blank');
	await page.setContent(quirky);
	expect(framed).toBe(await page.evaluate(boxes));
	expect(framed).toContain('BackCompat');
});

test('keys pressed with the focus in a frame reach the application', async ({ page, server }) => {
	await openBench(page, server);
	const carriage = page.getByRole('slider', { name: 'Carriage' });
	const before = Number(await carriage.getAttribute('aria-valuenow'));
	const lead = pageFrames(page)[0];
	await lead?.locator('h1').first().click();
	expect(await lead?.evaluate(() => document.hasFocus())).toBe(true);
	await page.keyboard.press('w');
	await expect(carriage).toHaveAttribute('aria-valuenow', String(before + 1));
	await page.keyboard.press('Shift+N');
	await expect(carriage).toHaveAttribute('aria-valuenow', String(before - 9));
});

test('where stages cannot be reached, frames are shown all the same, and the masthead says so once', async ({
	playwright,
	server
}) => {
	const browser = await playwright.chromium.launch({
		...LAUNCH,
		args: [...(LAUNCH.args ?? []), '--host-resolver-rules=MAP *.localhost ~NOTFOUND']
	});
	const page = await browser.newPage();
	const errors = errorsOf(page.context());
	await keepAccount(page.context());
	await page.goto(`${server.url}/site/1/bench`);
	const notice = page.getByText('frames share the application’s process');
	await expect(notice).toBeVisible();
	const frames = () =>
		page.frames().filter((frame) => frame.parentFrame()?.parentFrame() === page.mainFrame());
	expect(await settled(page, () => frames().length)).toBe(4);
	await expect(frames()[0]?.locator('h1').first() ?? page.locator('none')).toHaveText(
		'Six islands, one slow morning'
	);
	expect(
		await settled(page, () => frames()[0]?.evaluate(() => document.images[0]?.naturalWidth))
	).toBeGreaterThan(0);
	await page.getByRole('button', { name: 'Understood' }).click();
	await expect(notice).toBeHidden();
	expect(errors).toEqual([]);
	await browser.close();
});
