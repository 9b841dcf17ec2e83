import { createServer, type Server } from 'node:http';
import { readFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { extname, join, normalize } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';
import { heightsOf, unzoomed, type Vantage } from '../../../src/lib/core/vantage/index.ts';
import { LAUNCH } from '../../launch.ts';

const TYPES: Readonly<Record<string, string>> = {
	'.html': 'text/html; charset=utf-8',
	'.css': 'text/css',
	'.svg': 'image/svg+xml',
	'.webp': 'image/webp',
	'.webm': 'video/webm'
};

/** Files as any web server would serve them; scripts are blocked by a policy, so that pages count as scripted. */
export async function plainServer(read: (path: string) => Promise<Uint8Array | string>): Promise<Server> {
	const server = createServer((request, response) => {
		const path = normalize(decodeURIComponent((request.url ?? '/').replace(/[?#].*/, ''))).slice(1);
		read(path).then(
			(content) => {
				response.writeHead(200, {
					'content-type': TYPES[extname(path)] ?? 'application/octet-stream',
					'content-security-policy': "script-src 'none'"
				});
				response.end(content);
			},
			() => response.writeHead(404).end()
		);
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	return server;
}

export const originOf = (server: Server): string =>
	`http://127.0.0.1:${(server.address() as AddressInfo).port}`;

export const fromFolder =
	(folder: string) =>
	(path: string): Promise<Uint8Array> =>
		readFile(join(folder, path));

/** The pointer type that the driver gives a headless browser, by a switch that can only be given once. */
const MOUSE = 'primaryHoverType=2,availableHoverTypes=2,primaryPointerType=4,availablePointerTypes=4';

/** A browser started as a device: its density, default text size and scrollbars are its own, not emulated. */
export function startAs(vantage: Vantage): Promise<Browser> {
	const { density, scrollbar, defaultFontSize } = unzoomed(vantage);
	return chromium.launch({
		...LAUNCH,
		args: [
			...(LAUNCH.args ?? []),
			`--force-device-scale-factor=${density}`,
			`--blink-settings=${MOUSE},defaultFontSize=${defaultFontSize}`
		],
		ignoreDefaultArgs: scrollbar > 0 ? ['--hide-scrollbars'] : []
	});
}

/** A top-level page of a vantage's size in such a browser; pointer and preferences are emulated. */
export async function realPage(browser: Browser, vantage: Vantage): Promise<Page> {
	const context = await browser.newContext({ viewport: null });
	const page = await context.newPage();
	const session = await context.newCDPSession(page);
	const { width, ...seen } = unzoomed(vantage);
	const height = heightsOf({ width, ...seen }).dynamic;
	await session.send('Emulation.setDeviceMetricsOverride', {
		width,
		height,
		screenWidth: width,
		screenHeight: height,
		deviceScaleFactor: 0,
		mobile: false
	});
	if (vantage.pointer === 'coarse') {
		await session.send('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 1 });
	}
	await session.send('Emulation.setEmulatedMedia', {
		media: vantage.medium,
		features: [
			{ name: 'prefers-color-scheme', value: vantage.colorScheme },
			{ name: 'prefers-reduced-motion', value: vantage.reducedMotion ? 'reduce' : 'no-preference' },
			{ name: 'prefers-contrast', value: vantage.contrast }
		]
	});
	return page;
}
