/**
 * Makes the demo's raster pictures and its film from the drawings, on a browser's canvas. To be run by hand when a
 * drawing changes: `npx tsx demo/draw.ts`.
 */
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { LAUNCH } from '../tests/launch.ts';

const site = join(import.meta.dirname, 'site');

interface Raster {
	readonly from: string;
	readonly to: string;
	readonly width: number;
	readonly height: number;
}

const RASTERS: readonly Raster[] = [
	{ from: 'ramp.svg', to: 'ramp-480.webp', width: 480, height: 270 },
	{ from: 'ramp.svg', to: 'ramp-960.webp', width: 960, height: 540 },
	{ from: 'sea.svg', to: 'sea-poster.webp', width: 960, height: 540 },
	{ from: 'winter.svg', to: 'winter.webp', width: 900, height: 420 }
];

const browser = await chromium.launch(LAUNCH);
const page = await browser.newPage();
const drawing = async (name: string): Promise<string> =>
	`data:image/svg+xml;base64,${(await readFile(join(import.meta.dirname, 'drawings', name))).toString('base64')}`;

for (const { from, to, width, height } of RASTERS) {
	const data = await page.evaluate(
		async ({ source, width, height }) => {
			const image = new Image();
			image.src = source;
			await image.decode();
			const canvas = document.createElement('canvas');
			canvas.width = width;
			canvas.height = height;
			canvas.getContext('2d')?.drawImage(image, 0, 0, width, height);
			return canvas.toDataURL('image/webp', 0.8);
		},
		{ source: await drawing(from), width, height }
	);
	await writeFile(join(site, 'img', to), Buffer.from(data.split(',')[1] ?? '', 'base64'));
}

const film = await page.evaluate(
	async (source) => {
		const image = new Image();
		image.src = source;
		await image.decode();
		const canvas = document.createElement('canvas');
		canvas.width = 640;
		canvas.height = 360;
		const pen = canvas.getContext('2d') as CanvasRenderingContext2D;
		const recorder = new MediaRecorder(canvas.captureStream(6), {
			mimeType: 'video/webm;codecs=vp8',
			videoBitsPerSecond: 1_000_000
		});
		const parts: Blob[] = [];
		recorder.ondataavailable = (event) => parts.push(event.data);
		const stopped = new Promise((resolve) => (recorder.onstop = resolve));
		recorder.start();
		for (let i = 0; i < 24; i++) {
			const swell = Math.sin((i / 24) * 2 * Math.PI);
			pen.drawImage(image, -12 + 6 * swell, -8 + 3 * swell, 664, 374);
			await new Promise((resolve) => setTimeout(resolve, 167));
		}
		recorder.stop();
		await stopped;
		const bytes = new Uint8Array(await new Blob(parts).arrayBuffer());
		return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
	},
	await drawing('sea.svg')
);
// The browser names itself twice as the film's encoder; a word of the same length keeps every offset right.
const anonymous = Buffer.from(film, 'base64').toString('latin1').replaceAll('Chrome', 'canvas');
await writeFile(join(site, 'film', 'sea.webm'), Buffer.from(anonymous, 'latin1'));

await browser.close();
