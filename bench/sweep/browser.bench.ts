import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { pageBundle } from '../../tests/bundle.ts';
import type { Bench } from '../bench.ts';
import { bareFrames, withSite, type Files, painted } from '../browser.ts';
import { demoFiles, largePage } from '../pages.ts';
import type * as inPage from './inPage.ts';

declare global {
	var sweepBench: typeof inPage;
}

/** A large page with faults in some of its cards. */
function faultyPage(elements: number): Record<string, string> {
	const page = largePage(elements);
	const more = `
.c1 p { white-space: nowrap } .c2 { min-width: 300px } .c3 h3 { position: relative; left: 40% }
@media (min-width: 600px) and (max-width: 899px) { .c4 { overflow: hidden; max-height: 60px } }`;
	return { ...page, 'look.css': `${page['look.css'] ?? ''}${more}` };
}

type Evaluate = <X>(work: (given: inPage.Given) => Promise<X>) => Promise<X>;

/** A page of a site, with the bench's own functions loaded. */
const onPage = <X>(
	files: Files,
	path: string,
	work: (evaluate: Evaluate, page: Page) => Promise<X>,
	stretch?: inPage.Given['stretch']
): Promise<X> =>
	withSite(files, async (page, server, site) => {
		await page.goto(`${server.url}/site/${site}/site`);
		await page.evaluate(await pageBundle(join(import.meta.dirname, 'inPage.ts'), 'sweepBench'));
		const texts = Object.fromEntries(
			Object.entries(files).flatMap(([name, content]) =>
				/\.(html|css)$/.test(name) ? [[name, content.toString()]] : []
			)
		);
		return work((asked) => page.evaluate(asked, { site, path, texts, stretch }), page);
	});

const text = (files: Files): Files =>
	Object.fromEntries(
		Object.entries(files).map(([name, content]) => [
			name,
			/\.(html|css)$/.test(name) ? Buffer.from(content as Uint8Array).toString() : content
		])
	);

type Swept = Awaited<ReturnType<typeof inPage.sweep>>;

const sweeps = new Map<string, Promise<Swept>>();

/** One sweep per page, for all results. */
function sweepOf(
	what: string,
	files: () => Promise<Files>,
	path: string,
	stretch?: inPage.Given['stretch']
): Promise<Swept> {
	const swept =
		sweeps.get(what) ??
		files().then((given) =>
			onPage(
				given,
				path,
				async (evaluate) => {
					const found = await evaluate((of) => globalThis.sweepBench.sweep(of));
					const { quick, whole, ...counts } = found;
					console.log(
						`${what}: ${JSON.stringify({ ...counts, quick: Math.round(quick), whole: Math.round(whole) })}`
					);
					return found;
				},
				stretch
			)
		);
	sweeps.set(what, swept);
	return swept;
}

function sweeping(
	what: string,
	files: () => Promise<Files>,
	path: string,
	stretch?: inPage.Given['stretch']
): Bench[] {
	const sweepOnce = (): Promise<Swept> => sweepOf(what, files, path, stretch);
	return [
		{
			name: `layouts of a quick sweep / grid and three for each px beside an edge, ${what}`,
			goal: { atMost: 1 },
			run: async () => {
				const { measured, first, beside } = await sweepOnce();
				return measured / (first + 3 * beside);
			}
		},
		{
			name: `findings longer than the grid that quick has otherwise / all of those, ${what}`,
			goal: { atMost: 0 },
			run: async () => {
				const { missed, lasting } = await sweepOnce();
				return missed.length / Math.max(1, lasting);
			}
		},
		{
			name: `every width / quick, same stage, ${what}`,
			goal: { atLeast: 4 },
			run: async () => {
				const { quick, whole } = await sweepOnce();
				return whole / quick;
			}
		}
	];
}

/**
 * The time that an external driver needs for a width: setting the viewport and reading all boxes; median of some, ms.
 */
const driven = (files: Files, path: string): Promise<number> =>
	withSite(files, (page) =>
		bareFrames(files, path, [], async (address) => {
			await page.goto(address.replace('/bare', `/${path}`));
			const begun = performance.now();
			const widths = Array.from({ length: 60 }, (_, i) => 240 + 39 * i);
			for (const width of widths) {
				await page.setViewportSize({ width, height: 800 });
				await page.evaluate(() =>
					[...document.querySelectorAll('*')].map((one) => {
						const { left, top, width, height } = one.getBoundingClientRect();
						return [left, top, width, height];
					})
				);
			}
			return (performance.now() - begun) / widths.length;
		})
	);

const WIDTHS = 2321;

export const benches: readonly Bench[] = [
	...sweeping('demo', async () => text(await demoFiles()), 'home.html'),
	...sweeping('1,500 elements', () => Promise.resolve(faultyPage(1500)), 'index.html'),
	// Every width of so large a page would take a quarter of an hour: findings are compared at a quarter of them.
	...sweeping('6,000 elements from 240 to 800', () => Promise.resolve(faultyPage(6000)), 'index.html', {
		from: 240,
		to: 800
	}).slice(0, 2),
	{
		name: 'every width (60 of them, taken as all) / quick, same stage, 6,000 elements',
		goal: { atLeast: 4 },
		run: () =>
			onPage(faultyPage(6000), 'index.html', async (evaluate) => {
				const quick = await evaluate((of) => globalThis.sweepBench.quickOn(of, 1));
				const some = await evaluate((of) =>
					globalThis.sweepBench.timed(
						of,
						1,
						Array.from({ length: 60 }, (_, i) => 240 + 39 * i)
					)
				);
				return ((some / 60) * WIDTHS) / quick;
			})
	},
	{
		name: 'an outside driver at every width (60 of them, taken as all) / quick, 1,500 elements',
		goal: { atLeast: 8 },
		run: async () => {
			const files = faultyPage(1500);
			const each = await driven(files, 'index.html');
			const { quick } = await sweepOf('1,500 elements', () => Promise.resolve(files), 'index.html');
			return (each * WIDTHS) / quick;
		}
	},
	{
		name: 'an outside driver at every width (60 of them, taken as all) / quick on two stages, 1,500 elements',
		goal: { atLeast: 14 },
		run: async () => {
			const files = faultyPage(1500);
			const each = await driven(files, 'index.html');
			const quick = await onPage(files, 'index.html', (evaluate) =>
				evaluate((of) => globalThis.sweepBench.quickOn(of, 2))
			);
			return (each * WIDTHS) / quick;
		}
	},
	{
		name: 'main thread held by 60 widths of 6,000 elements, on a stage / at its own origin',
		goal: { atMost: 1 / 20 },
		run: () =>
			onPage(faultyPage(6000), 'index.html', async (evaluate) => {
				const { apart, own } = await evaluate((of) =>
					globalThis.sweepBench.held(
						of,
						Array.from({ length: 60 }, (_, i) => 300 + 30 * i)
					)
				);
				console.log(`held for ${Math.round(apart)} and ${Math.round(own)} ms at the longest`);
				return apart / own;
			})
	},
	{
		name: 'memory after 90 edits with their sweeps / after 45, demo',
		goal: { atMost: 1.1 },
		run: async () =>
			withSite(text(await demoFiles()), async (page, server, site) => {
				await page.goto(`${server.url}/site/${site}/bench?page=sailings.html&file=css/layout.css`);
				await painted(page);
				await page.getByText('Vantaggio', { exact: true }).click();
				await page.keyboard.press('Shift+O');
				const session = await page.context().newCDPSession(page);
				const used = async (): Promise<number> => {
					await session.send('HeapProfiler.collectGarbage');
					return (await session.send('Runtime.getHeapUsage')).usedSize;
				};
				await page.locator('.cm-content').click();
				await page.keyboard.press('Control+End');
				await page.keyboard.insertText('\nh2 { padding-top: 1px }');
				const after: number[] = [];
				for (let round = 1; round <= 90; round++) {
					for (let back = 0; back < 4; back++) await page.keyboard.press('ArrowLeft');
					await page.keyboard.press('Backspace');
					await page.keyboard.insertText(String(round % 10));
					for (let on = 0; on < 4; on++) await page.keyboard.press('ArrowRight');
					// The quick sweep and the Wake finish, and the complete sweep begins.
					await page.waitForTimeout(4000);
					if (round % 15 === 0) after.push(await used());
				}
				console.log(
					`MB after every fifteen: ${after.map((bytes) => Math.round(bytes / 1e5) / 10).join(', ')}`
				);
				return (after.at(-1) ?? NaN) / (after[2] ?? NaN);
			})
	},
	{
		name: 'one stage / two, 160 widths of 6,000 elements',
		goal: { atLeast: 1.6 },
		run: () =>
			onPage(faultyPage(6000), 'index.html', async (evaluate) => {
				const one = await evaluate((of) =>
					globalThis.sweepBench.timed(
						of,
						1,
						Array.from({ length: 160 }, (_, i) => 300 + 14 * i)
					)
				);
				const two = await evaluate((of) =>
					globalThis.sweepBench.timed(
						of,
						2,
						Array.from({ length: 160 }, (_, i) => 300 + 14 * i)
					)
				);
				return one / two;
			})
	},
	{
		name: 'layouts after an edit in one band of five / at first, 1,500 elements',
		goal: { atMost: 1 / 3 },
		run: () => {
			const files = faultyPage(1500);
			const css = `${files['look.css'] ?? ''}\n@media (min-width: 1000px) and (max-width: 1400px) { .c5 { padding: 5px } }`;
			return onPage({ ...files, 'look.css': css }, 'index.html', async (evaluate) => {
				const { first, then } = await evaluate((of) =>
					globalThis.sweepBench.edited(of, {
						...of,
						texts: {
							...of.texts,
							'look.css': (of.texts['look.css'] ?? '').replace(
								'.c5 { padding: 5px }',
								'.c5 { padding: 55px }'
							)
						}
					})
				);
				console.log(`layouts: ${first} at first, ${then} after the edit`);
				return then / first;
			});
		}
	}
];
