/** `npm run screenshots`: one picture of each main view at 1280 × 800, from the demo, into docs/screenshots. */
import { mkdir, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { LAUNCH } from '../tests/launch.ts';
import { Server } from '../tests/server.ts';

const folder = join(import.meta.dirname, '..', 'docs', 'screenshots');
const data = await mkdtemp(join(tmpdir(), 'vantaggio-shots-'));
const server = new Server(data);
await mkdir(folder, { recursive: true });
await server.start();
const browser = await chromium.launch(LAUNCH);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

const painted = () =>
	page
		.waitForFunction(() => performance.getEntriesByName('vantaggio: frames painted').length > 0)
		.then(() => page.waitForTimeout(1500));
const shot = (name: string) => page.screenshot({ path: join(folder, `${name}.png`) });

await page.goto(server.url);
await page.getByRole('button', { name: 'Open the demo' }).waitFor();
await shot('first-visit');
await page.getByRole('button', { name: 'Open the demo' }).click();
await painted();
await shot('bench');
await page.getByRole('button', { name: 'Threshold 599 | 600' }).hover();
await page.waitForTimeout(200);
await shot('bench-threshold');
await page.mouse.move(0, 0);
await page.keyboard.press('2');
await page.getByText('Switches').click();
await page.getByLabel('right to left').check();
await page.waitForTimeout(3000);
await shot('bench-vantage');
await page.keyboard.press('Escape');
await page.getByRole('button', { name: 'all off' }).click();
await page.getByLabel('Lead as').selectOption('plain window');
await page.evaluate(() => localStorage.setItem('vantaggio-carriage', '812'));
await page.goto(`${server.url}/site/1/bench?page=boats.html&at=1.1.1.0,1.1.1.1`);
await painted();
await page.keyboard.down('d');
await page.waitForTimeout(800);
await shot('bench-twins');
await page.keyboard.up('d');
await page.goto(`${server.url}/site/1/bench?page=home.html&at=1.2.0`);
await painted();
await page.keyboard.press('h');
await page.getByLabel('Property').fill('align-content');
await page.locator('.property').first().click();
await page.waitForTimeout(500);
await shot('trace');
await page.goto(`${server.url}/site/1/bench?page=home.html&at=1.2.0`);
await painted();
await page.keyboard.press('c');
await page.locator('button.value[data-cell^="gap, F"]').click();
await page.locator('input.field').fill('48px');
await page.waitForTimeout(1500);
await shot('collation');
await page.keyboard.press('Escape');
await page.keyboard.press('c');
await page.getByRole('button', { name: 'Threshold 700' }).focus();
await page.getByLabel('Width to which 700 goes everywhere, px').fill('734');
await page.keyboard.press('Enter');
await page.waitForTimeout(1500);
await shot('shift');
await page.keyboard.press('Escape');
await page.goto(`${server.url}/site/1/bench?page=home.html&file=css/layout.css`);
await painted();
await page
	.locator('.cm-line', { hasText: 'padding: 40px var(--edge)' })
	.click({ position: { x: 150, y: 8 } });
await page.getByText('Vantaggio', { exact: true }).click();
await page.keyboard.press('Shift+A');
await page.getByLabel('everywhere as').fill('--berth');
await page.keyboard.press('Enter');
await page.waitForTimeout(1500);
await shot('arrange');
await page.keyboard.press('Escape');
await page.getByText('Vantaggio', { exact: true }).click();
await page.keyboard.press('Shift+O');
await page.getByRole('button', { name: 'Pause' }).click();
await page
	.getByRole('button', { name: /999.98/ })
	.first()
	.click();
await page.waitForTimeout(2000);
await shot('findings');
await page.goto(`${server.url}/site/1/bench?page=home.html&file=css/sailings.css&at=1.2.0.1`);
await painted();
await page.keyboard.press('Shift+R');
await page.getByLabel('would win').fill('width');
await page.waitForTimeout(800);
await shot('reach');
await page.getByText('Vantaggio', { exact: true }).click();
await page.keyboard.press('Shift+Z');
await page.waitForTimeout(1000);
await shot('outline');
await page.keyboard.press('Escape');
await page.getByText('Vantaggio', { exact: true }).click();
await page.keyboard.press('/');
await page.keyboard.type('sail');
await shot('find');
await page.keyboard.press('Escape');
await page.goto(`${server.url}/site/1/site`);
await page.getByRole('heading', { name: 'Pictures' }).waitFor();
await page.waitForTimeout(500);
await shot('site');
await page.getByRole('button', { name: 'Change Handset' }).click();
await shot('vantage');
await page.emulateMedia({ colorScheme: 'dark' });
await page.goto(`${server.url}/site/1/bench?page=island.html&file=css/layout.css`);
await painted();
await shot('bench-night');

await browser.close();
await server.kill();
await rm(data, { recursive: true, force: true });
