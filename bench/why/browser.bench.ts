import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { pageBundle } from '../../tests/bundle.ts';
import { LAUNCH } from '../../tests/launch.ts';
import type { Bench } from '../bench.ts';
import type * as inPage from './inPage.ts';

declare global {
	var why: typeof inPage;
}

/** A page of 6,000 elements and a sheet of 5,000 rules with a typical mixture, the same in each run. */
function page6000(): { html: string; css: string } {
	const item = (i: number): string =>
		`<li class="card k${i % 900} t${i % 40}" id="i${i}"><h3 class="k${(i * 7) % 900}">Sailing ${i}</h3><p class="w${i % 60}">From <b class="k${(i * 3) % 900}">Tern Quay</b> to <i>Serk</i> <a href="#">at ${i % 24}:15</a></p></li>`;
	const items = Array.from({ length: 1000 }, (_, i) => item(i)).join('\n');
	const rule = (i: number): string => {
		const values = `color: rgb(${i % 256} 0 0); margin: ${i % 9}px`;
		switch (i % 10) {
			case 0:
				return `.t${i % 40} .k${i % 900} { ${values} }`;
			case 1:
				return `.card > .w${i % 60} b { ${values} }`;
			case 2:
				return `#i${i % 1000} h3 { ${values} }`;
			case 3:
				return `@media (width >= ${400 + (i % 900)}px) { .k${i % 900} { ${values} } }`;
			case 4:
				return `.k${i % 900}:hover { ${values} }`;
			case 5:
				return `.cards .card.k${i % 900}:not(.t${i % 40}) { ${values} }`;
			default:
				return `.k${i % 900}.x${i} { ${values} }`;
		}
	};
	const css = Array.from({ length: 5000 }, (_, i) => rule(i)).join('\n');
	const html = `<!doctype html><html><head><link rel="stylesheet" href="look.css"></head><body><ul class="cards">${items}</ul></body></html>`;
	return { html, css };
}

async function inThatPage<X>(work: (page: Page) => Promise<X>): Promise<X> {
	const script = await pageBundle(join(import.meta.dirname, 'inPage.ts'), 'why');
	const browser = await chromium.launch(LAUNCH);
	try {
		const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
		const { html, css } = page6000();
		await page.setContent(html.replace(/<link[^>]*>/, `<style>${css}</style>`));
		await page.evaluate(script);
		await page.evaluate(([text, sheet]) => globalThis.why.read(text, sheet), [html, css] as const);
		if (process.env.VERBOSE) console.log(await page.evaluate(() => globalThis.why.counted()));
		return await work(page);
	} finally {
		await browser.close();
	}
}

export const benches: readonly Bench[] = [
	{
		name: 'testing every selector on every element of 6,000, 5,000 rules / matches and verdicts for all of them',
		goal: { atLeast: 20 },
		run: () => inThatPage((page) => page.evaluate(() => globalThis.why.everyElement()))
	},
	{
		name: 'all that is asked about an element there when it is selected, and its verdicts / one layout of the page',
		goal: { atMost: 0.1 },
		run: () => inThatPage((page) => page.evaluate(() => globalThis.why.oneElement()))
	}
];
