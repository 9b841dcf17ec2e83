import type { Page } from '@playwright/test';
import { clientBundle } from '../../tests/bundle.ts';
import type { Bench } from '../bench.ts';
import { withSite } from '../browser.ts';
import { largePage } from '../pages.ts';

const PAGES = 100;

/** A hundred pages of 1,000 elements, each with different words. */
const texts = (): [path: string, text: string][] => {
	const [page = ''] = Object.values(largePage(1000));
	return Array.from({ length: PAGES }, (_, i) => [`p${i}.html`, page.replaceAll('Sailing', `Sailing ${i}.`)]);
};

/** What is typed, letter by letter. */
const TYPED = '.cards > .card h3'.split('').map((_, i, all) => all.slice(0, i + 1).join(''));

interface Times {
	/**
	 * The time from the first letter to the last answer, for pages not known before: on a stage, and with a frame for
	 * each.
	 */
	readonly stage: number;
	readonly frames: number;
	/** The longest time that the application's main thread is blocked: meanwhile, and by doing it there. */
	readonly held: number;
	readonly inIt: number;
}

const timesIn = (page: Page, site: number): Promise<Times> =>
	page.evaluate(
		async ({ site, pages, typed }) => {
			const { know, openStage } = globalThis.stageClient;
			const stage = await openStage(document.body, site, 0, { pattern: 'stage-{n}-s{site}.localhost' });
			const paths = pages.map(([path]) => path);
			const count = (root: ParentNode, selector: string): number => {
				try {
					return root.querySelectorAll(selector).length;
				} catch {
					return 0;
				}
			};
			let held = 0;
			let last = performance.now();
			const { port1, port2 } = new MessageChannel();
			port1.onmessage = () => {
				const now = performance.now();
				held = Math.max(held, now - last);
				last = now;
				port2.postMessage(null);
			};
			port2.postMessage(null);
			let begun = performance.now();
			await know(stage, new Map(pages));
			let found = 0;
			for (const selector of typed) {
				const counts = await stage.host.reach(paths, [selector]);
				found = counts.reduce((sum, [one]) => sum + (one ?? 0), 0);
			}
			const onStage = performance.now() - begun;
			port1.close();

			begun = performance.now();
			const parser = new DOMParser();
			const documents = pages.map(([, text]) => parser.parseFromString(text, 'text/html'));
			let here = 0;
			for (const selector of typed) here = documents.reduce((sum, one) => sum + count(one, selector), 0);
			const inIt = performance.now() - begun;

			begun = performance.now();
			let framed = 0;
			for (const [, text] of pages) {
				const frame = document.createElement('iframe');
				frame.sandbox.add('allow-same-origin');
				frame.srcdoc = text;
				await new Promise((resolve) => {
					frame.onload = resolve;
					document.body.append(frame);
				});
				const document_ = frame.contentDocument;
				if (document_) framed += count(document_, typed.at(-1) ?? '');
				frame.remove();
			}
			const frames = performance.now() - begun;
			if (found !== here || found !== framed || found === 0)
				throw new Error(`${found}, ${here}, ${framed} hits`);
			return { stage: onStage, frames, held, inIt };
		},
		{ site, pages: texts(), typed: TYPED }
	);

const measured = (ratio: (times: Times) => number) => () =>
	withSite(largePage(10), async (page, server, site) => {
		await page.goto(`${server.url}/site/${site}/site`);
		await page.evaluate(await clientBundle());
		const times = await timesIn(page, site);
		if (process.env.VERBOSE) console.log(times);
		return ratio(times);
	});

export const benches: readonly Bench[] = [
	{
		name: 'each of 100 pages of 1,000 elements in a frame / a selector typed and tried on all of them',
		goal: { atLeast: 10 },
		run: measured(({ stage, frames }) => frames / stage)
	},
	{
		name: 'main thread held by trying it there / meanwhile',
		goal: { atLeast: 20 },
		run: measured(({ held, inIt }) => inIt / held)
	}
];
