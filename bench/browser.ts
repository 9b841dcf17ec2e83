import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium, type Page } from '@playwright/test';
import { lookup } from 'mrmime';
import { painted, PAINTED } from '../tests/rest.ts';
import { bring, withServer, type Server } from '../tests/server.ts';
import { LAUNCH, VIEWPORT } from '../tests/launch.ts';
import { median } from './bench.ts';

export type Files = Record<string, string | Uint8Array>;

/** Runs work with a browser and a server with one site. */
export async function withSite<X>(
	files: Files,
	work: (page: Page, server: Server, site: number) => Promise<X>,
	args: readonly string[] = []
): Promise<X> {
	return withServer([], async (server) => {
		const site = await bring(server, files);
		const browser = await chromium.launch({ ...LAUNCH, args: [...(LAUNCH.args ?? []), ...args] });
		try {
			const page = await browser.newPage({ viewport: VIEWPORT });
			// Bundled functions refer to a helper that pages lack.
			await page.addInitScript('globalThis.__name = (named) => named');
			return await work(page, server, site);
		} finally {
			await browser.close();
		}
	});
}

export { painted, PAINTED };

/** Median time from a keystroke in the sheet to all frames painted, ms. */
export async function keystroke(page: Page): Promise<number> {
	await painted(page);
	await page.waitForTimeout(1500);
	await page.locator('.cm-content').click();
	await page.keyboard.press('Control+End');
	// A length that moves everything below it.
	await page.keyboard.insertText('\nh1 { line-height: 1.');
	return toPainted(page);
}

/** Median time from another digit in the focused editor or field to all frames painted, ms. */
export async function toPainted(page: Page): Promise<number> {
	const times = await page.evaluate(async (mark) => {
		const put = (i: number): void => {
			const field = document.activeElement;
			if (!(field instanceof HTMLInputElement)) {
				document.execCommand('insertText', false, String(i % 10));
				return;
			}
			field.value = String(702 + (i % 40));
			field.dispatchEvent(new Event('input', { bubbles: true }));
		};
		const found: number[] = [];
		for (let i = 0; i < 25; i++) {
			await new Promise((resolve) => setTimeout(resolve, 60));
			const painted = new Promise<number>((resolve) => {
				const observer = new PerformanceObserver((list) => {
					const [entry] = list.getEntriesByName(mark);
					if (!entry) return;
					observer.disconnect();
					resolve(entry.startTime);
				});
				observer.observe({ entryTypes: ['mark'] });
			});
			const begun = performance.now();
			put(i);
			found.push((await painted) - begun);
		}
		return found;
	}, PAINTED);
	return median(times.slice(5));
}

/** A bare frame: width, height, density, scale as drawn. */
export type BareFrame = readonly [number, number, number, number];

/** The four frames of the Bench at 1280 × 800. */
export const FOUR_FRAMES: readonly BareFrame[] = [
	[812, 470, 1, 0.84],
	[400, 800, 2.5, 0.22],
	[800, 1100, 2, 0.165],
	[1300, 740, 2, 0.25]
];

/** A page of bare frames of these sizes and densities, served with the files; and the same again, by its address. */
export async function bareFrames<X>(
	files: Files,
	path: string,
	frames: readonly BareFrame[],
	work: (address: string) => Promise<X>
): Promise<X> {
	const server = createServer((request, response) => {
		const name = decodeURIComponent(new URL(request.url ?? '/', 'http://x.test').pathname.slice(1));
		if (name === 'bare') {
			response.setHeader('content-type', 'text/html');
			const drawn = frames.map(
				([width, height, density, scale]) =>
					`<div style="position:relative;float:left;width:${width * scale}px;height:${height * scale}px;overflow:hidden"><div style="transform-origin:0 0;transform:scale(${scale / density})"><iframe src="/${path}" style="border:0;width:${width}px;height:${height}px;zoom:${density}"></iframe></div></div>`
			);
			response.end(`<!doctype html><body style="margin:0">${drawn.join('')}`);
			return;
		}
		const content = files[name];
		if (content === undefined) return void response.writeHead(404).end();
		response.setHeader('content-type', lookup(name) ?? 'application/octet-stream');
		response.setHeader('cache-control', 'max-age=3600');
		response.end(content);
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	try {
		return await work(`http://127.0.0.1:${(server.address() as AddressInfo).port}/bare`);
	} finally {
		server.close();
	}
}

/** Median time of reloading the page in bare frames, to their load and paint, ms. */
export const reloading = (
	page: Page,
	files: Files,
	path: string,
	frames: readonly BareFrame[] = FOUR_FRAMES
): Promise<number> =>
	bareFrames(files, path, frames, async (address) => {
		await page.goto(address);
		const times = await page.evaluate(async () => {
			const frames = [...document.querySelectorAll('iframe')];
			const found: number[] = [];
			for (let i = 0; i < 9; i++) {
				await new Promise((resolve) => setTimeout(resolve, 200));
				const begun = performance.now();
				const loads = frames.map(
					(frame) => new Promise((resolve) => frame.addEventListener('load', resolve, { once: true }))
				);
				for (const frame of frames) frame.contentWindow?.location.reload();
				await Promise.all(loads);
				await new Promise((resolve) => requestAnimationFrame(resolve));
				found.push(performance.now() - begun);
			}
			return found;
		});
		return median(times.slice(2));
	});

/** The site of a page whose `h1` grows with the window, for Type. */
export const fluidFiles = (files: Readonly<Record<string, string>>): Record<string, string> => ({
	...files,
	'look.css': `${files['look.css'] ?? ''}\nh1 { font-size: clamp(2rem, 1rem + 3vw, 4rem); }\n`
});

/** On Type: starts editing the size of `h1`; returns a function that drags its upper end so many times. */
export async function toDrag(
	page: Page,
	server: Server,
	site: number
): Promise<(moves: number) => Promise<void>> {
	await page.goto(`${server.url}/site/${site}/type?page=index.html`);
	await page.getByText(/texts of this page/).waitFor();
	await page.getByRole('button', { name: /^h1/ }).first().click();
	await page.getByRole('button', { name: 'Set this size from three numbers' }).click();
	await page.locator('path.knee').last().waitFor();
	await page.waitForTimeout(4000);
	return async (moves) => {
		const knee = await page.locator('path.knee').last().boundingBox();
		const [x, y] = [(knee?.x ?? 0) + 7, (knee?.y ?? 0) + 7];
		await page.mouse.move(x, y);
		await page.mouse.down();
		for (let i = 0; i < moves; i++) {
			await page.mouse.move(x, y - 4 - (i % 12) * 3);
			await page.waitForTimeout(350);
		}
		await page.mouse.up();
	};
}
