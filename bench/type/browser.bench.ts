import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { pageBundle } from '../../tests/bundle.ts';
import { LAUNCH } from '../../tests/launch.ts';
import { median, type Bench } from '../bench.ts';
import { fluidFiles, keystroke, PAINTED, toDrag, withSite } from '../browser.ts';
import { largePage } from '../pages.ts';
import type * as inPage from './inPage.ts';

declare global {
	var typeBench: typeof inPage;
}

/** 400 rules with sizes, a third of them in bands, and their values. */
export function sized(): { readonly files: Record<string, string>; readonly values: readonly string[] } {
	const forms = [
		(i: number) =>
			`clamp(${1 + (i % 7) / 8}rem, ${0.5 + (i % 5) / 8}rem + ${1 + (i % 9) / 4}vw, ${2 + (i % 11) / 8}rem)`,
		(i: number) => `${14 + (i % 20)}px`,
		(i: number) => `max(${1 + (i % 3) / 4}rem, min(${2 + (i % 4)}vw, 3rem), ${3 + (i % 4)}vw - 40px)`,
		(i: number) => `calc(${1 + (i % 6) / 8}rem + ${(i % 13) / 10}vw)`,
		(i: number) => `${1 + (i % 9) / 10}em`
	];
	const rules = Array.from({ length: 400 }, (_, i) => {
		const value = forms[i % forms.length]?.(i) ?? '1rem';
		const rule = `.t${i % 260} { font-size: ${value}; }`;
		return { value, text: i < 260 ? rule : `@media (width >= ${400 + 100 * (i % 10)}px) { ${rule} }` };
	});
	const texts = Array.from({ length: 260 }, (_, i) => `<p class="t${i}">Sailing <b>${i}</b></p>`).join('');
	return {
		values: rules.map(({ value }) => value),
		files: {
			'index.html': `<!doctype html><html><head><link rel="stylesheet" href="look.css"></head><body><main>${texts}</main></body></html>`,
			'look.css': rules.map(({ text }) => text).join('\n')
		}
	};
}

const curves: Bench = {
	name: 'every declaration of a size at every px / curves and knees of all text sizes, a page with 400 rules',
	goal: { atLeast: 50 },
	async run() {
		const { files, values } = sized();
		const script = await pageBundle(join(import.meta.dirname, 'inPage.ts'), 'typeBench');
		const browser = await chromium.launch(LAUNCH);
		try {
			const page = await browser.newPage({ viewport: { width: 1000, height: 720 } });
			const css = files['look.css'] ?? '';
			await page.setContent((files['index.html'] ?? '').replace(/<link[^>]*>/, `<style>${css}</style>`));
			await page.evaluate(script);
			const { ratio, knees, elements, ours, every } = await page.evaluate(
				([texts, all]) => globalThis.typeBench.curves(texts, all),
				[files, values] as const
			);
			console.log(
				`${elements} elements, ${knees} knees and steps: ${Math.round(ours)} ms against ${Math.round(every)}`
			);
			return ratio;
		} finally {
			await browser.close();
		}
	}
};

/** Median time from a move of what is dragged to all frames painted, ms. */
async function dragged(page: Page, drag: (moves: number) => Promise<void>): Promise<number> {
	await page.evaluate((mark) => {
		const times: number[] = [];
		let begun = 0;
		addEventListener('pointermove', () => (begun ||= performance.now()), true);
		new PerformanceObserver((list) => {
			const [entry] = list.getEntriesByName(mark);
			if (entry && begun > 0) times.push(entry.startTime - begun);
			begun = 0;
		}).observe({ entryTypes: ['mark'] });
		(globalThis as unknown as { dragTimes: number[] }).dragTimes = times;
	}, PAINTED);
	await drag(30);
	const times = await page.evaluate(() => (globalThis as unknown as { dragTimes: number[] }).dragTimes);
	if (times.length < 15) throw new Error(`Only ${times.length} moves were painted.`);
	return median(times.slice(5));
}

const dragging: Bench = {
	name: 'an end of a size dragged, to all frames painted / a keystroke to the same',
	goal: { atMost: 1.5 },
	run() {
		return withSite(fluidFiles(largePage(3000)), async (page, server, site) => {
			await page.goto(`${server.url}/site/${site}/bench?page=index.html&file=look.css`);
			const key = await keystroke(page);
			const drag = await dragged(page, await toDrag(page, server, site));
			console.log(`${Math.round(drag)} ms against ${Math.round(key)}`);
			return drag / key;
		});
	}
};

export const benches: readonly Bench[] = [curves, dragging];
