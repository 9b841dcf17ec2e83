import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { pageBundle } from '../../tests/bundle.ts';
import { LAUNCH } from '../../tests/launch.ts';
import { median, type Bench } from '../bench.ts';
import { keystroke, toPainted, withSite, painted, PAINTED } from '../browser.ts';
import { largePage } from '../pages.ts';
import { largeSheet } from '../sheets.ts';
import { layOut } from '../../src/lib/core/minified/index.ts';
import type * as inPage from './inPage.ts';

declare global {
	var write: typeof inPage;
}

/** Properties with two values each, so that a band can have another. */
const VALUES: readonly (readonly [string, string, string])[] = [
	...['top', 'left', 'right', 'bottom', 'width', 'height', 'min-width', 'max-width', 'min-height'].map(
		(name) => [name, '10px', '20px'] as const
	),
	...['margin', 'padding', 'border-width', 'border-radius', 'gap', 'outline-offset', 'letter-spacing'].map(
		(name) => [name, '1px', '2px'] as const
	),
	['display', 'flex', 'grid'],
	['position', 'relative', 'sticky'],
	['color', 'red', 'blue'],
	['background', '#eee', '#ddd'],
	['font-size', '16px', '18px'],
	['line-height', '1.4', '1.6'],
	['flex-direction', 'row', 'column'],
	['align-items', 'center', 'start']
];
const THRESHOLDS = [300, 400, 500, 600, 700, 800, 900, 1000, 1200, 1400, 1600];

/** A sheet that declares 200 values for `#x` in 12 bands. */
function sheet200(): string {
	const at = (from: number, count: number, second: boolean): string =>
		Array.from({ length: count }, (_, i) => {
			const [name, one, two] = VALUES[(from + i) % VALUES.length] ?? ['color', 'red', 'blue'];
			return `  ${name}: ${second ? two : one};`;
		}).join('\n');
	const base = `#x {\n${at(0, VALUES.length, false)}\n}\n`;
	const each = Math.ceil((200 - VALUES.length) / THRESHOLDS.length);
	const bands = THRESHOLDS.map(
		(px, i) => `@media (width >= ${px}px) {\n#x {\n${at(i * 3, each, i % 2 === 0)}\n}\n}\n`
	);
	return base + bands.join('');
}

const collation: Bench = {
	name: 'collation of an element with 200 declared values in 12 bands / one layout of its page of 6,000 elements',
	goal: { atMost: 0.1 },
	async run() {
		const script = await pageBundle(join(import.meta.dirname, 'inPage.ts'), 'write');
		const { 'index.html': html = '', 'look.css': look = '' } = largePage(6000);
		const css = `${look}\n${sheet200()}`;
		const page200 = html.replace('<h1>', '<h1 id="x">');
		const browser = await chromium.launch(LAUNCH);
		try {
			const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
			await page.setContent(page200.replace(/<link[^>]*>/, `<style>${css}</style>`));
			await page.evaluate(script);
			const { ratio, rows, values } = await page.evaluate(
				([text, sheet, widths]) => globalThis.write.collated(text, sheet, widths),
				[page200, css, [250, ...THRESHOLDS.map((px) => px + 20)]] as const
			);
			if (process.env.VERBOSE) console.log({ rows, values });
			if (values < 200) throw new Error(`Only ${values} values are declared.`);
			return ratio;
		} finally {
			await browser.close();
		}
	}
};

/** Median time from moving a threshold to another width to all frames painted, ms. */
async function shifted(page: Page): Promise<number> {
	await page.getByRole('button', { name: /^Threshold .*700/ }).focus();
	await page.getByLabel('Width to which 700 goes everywhere, px').fill('701');
	await page.keyboard.press('Enter');
	const field = page.getByLabel('Width of the threshold, px');
	await field.waitFor();
	await page.waitForTimeout(1500);
	await field.focus();
	return toPainted(page);
}

/** A page whose sheet has one length in 60 places. */
function inSixtyPlaces(): Record<string, string> {
	const files = largePage(3000);
	const places = Array.from(
		{ length: 60 },
		(_, i) => `@media (width >= 700px) { .c${i % 7} b { top: ${i}px } }`
	);
	return { ...files, 'look.css': `${files['look.css'] ?? ''}\n${places.join('\n')}\n` };
}

/**
 * Time from a press, of a key or of the pointer, to all frames painted, ms. Measurements for the previous press have
 * ended by then, so that conditions are the same for each.
 */
async function fromPress(page: Page, press: () => Promise<void>): Promise<number> {
	await page.waitForTimeout(3000);
	// Listens before the press is sent, because an earlier one would be missed.
	const heard = await page.evaluateHandle((mark) => {
		let begun = 0;
		for (const kind of ['keydown', 'click'])
			addEventListener(kind, () => (begun ||= performance.now()), { capture: true, once: true });
		const time = new Promise<number>((resolve) => {
			new PerformanceObserver((list, observer) => {
				const [entry] = list.getEntriesByName(mark);
				if (!entry || begun === 0) return;
				observer.disconnect();
				resolve(entry.startTime - begun);
			}).observe({ entryTypes: ['mark'] });
		});
		return { time };
	}, PAINTED);
	await press();
	return heard.evaluate(({ time }) => time);
}

const stepping: Bench = {
	name: 'a step of 60 places taken back, or made again, to all frames painted / the edit itself to the same',
	goal: { atMost: 1.5 },
	run: () =>
		withSite(inSixtyPlaces(), async (page, server, site) => {
			await page.goto(`${server.url}/site/${site}/bench?page=index.html&file=look.css`);
			await painted(page);
			const times = { edit: [] as number[], back: [] as number[], again: [] as number[] };
			for (let i = 0; i < 11; i++) {
				await page.getByText('Vantaggio', { exact: true }).click();
				await page.keyboard.press('a');
				await page.getByLabel('Find').fill(i % 2 === 0 ? 'b { top' : 'b { left');
				await page.getByLabel('Replace with').fill(i % 2 === 0 ? 'b { left' : 'b { top');
				await page.getByText(/^60 places in 1 file$/).waitFor({ timeout: 20_000 });
				const replace = page.getByRole('button', { name: 'Replace all' });
				times.edit.push(await fromPress(page, () => replace.click()));
				await page.keyboard.press('Escape');
				times.back.push(await fromPress(page, () => page.keyboard.press('Control+z')));
				times.again.push(await fromPress(page, () => page.keyboard.press('Control+Shift+Z')));
			}
			if (process.env.VERBOSE) console.log(times);
			return Math.max(median(times.back), median(times.again)) / median(times.edit);
		})
};

const dragging: Bench = {
	name: 'a threshold in 60 places put to another width, to all frames painted / a keystroke to the same',
	goal: { atMost: 1.5 },
	run() {
		return withSite(inSixtyPlaces(), async (page, server, site) => {
			await page.goto(`${server.url}/site/${site}/bench?page=index.html&file=look.css`);
			const key = await keystroke(page);
			await page.reload();
			await painted(page);
			return (await shifted(page)) / key;
		});
	}
};

/** Size of a large minified sheet, characters. */
const MINIFIED = 500_000;

const minified: Bench = {
	name: 'an edit in a minified sheet of 500 kB, to all frames painted / in the same sheet laid out in its file',
	goal: { atMost: 1.3 },
	async run() {
		const sheet = largeSheet(MINIFIED * 1.3)
			.replace(/\/\*.*?\*\/\s*/g, '')
			.replace(/\s*([{},;>])\s*|\s*\n\s*/g, '$1')
			.slice(0, MINIFIED)
			.replace(/[^}]*$/, '');
		const edited = (css: string): Promise<number> =>
			withSite({ ...largePage(1000), 'look.css': css }, async (page, server, site) => {
				await page.goto(`${server.url}/site/${site}/bench?page=index.html&file=look.css`);
				await page.locator('.cm-line').nth(5).waitFor();
				return keystroke(page);
			});
		const [packed, laid] = [await edited(sheet), await edited(layOut(sheet, 'sheet').text)];
		if (process.env.VERBOSE) console.log({ characters: sheet.length, packed, laid });
		return packed / laid;
	}
};

export const benches: readonly Bench[] = [collation, dragging, stepping, minified];
