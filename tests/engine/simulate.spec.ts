import type { BrowserContextOptions } from '@playwright/test';
import { parseSheet } from '../../src/lib/core/css/index.ts';
import { PLAIN, SHIPPED, type Vantage } from '../../src/lib/core/vantage/index.ts';
import { clientBundle } from '../bundle.ts';
import { bring, expect, openBench, pageFrames, test } from '../fixtures.ts';
import { QUERIES } from './queries.ts';

const emulated = (vantage: Vantage): BrowserContextOptions => ({
	viewport: { width: vantage.width, height: vantage.height },
	screen: { width: vantage.width, height: vantage.height },
	deviceScaleFactor: vantage.density,
	hasTouch: vantage.pointer === 'coarse',
	isMobile: vantage.pointer === 'coarse',
	colorScheme: vantage.colorScheme,
	reducedMotion: vantage.reducedMotion ? 'reduce' : 'no-preference',
	contrast: vantage.contrast === 'more' ? 'more' : 'no-preference'
});

const [, handset] = SHIPPED;
const VANTAGES: readonly Vantage[] = [
	...SHIPPED.map((vantage): Vantage => ({ ...vantage, bars: PLAIN.bars })),
	{ ...PLAIN, name: 'Night', width: 700, height: 500, colorScheme: 'dark', reducedMotion: true },
	{ ...(handset ?? PLAIN), name: 'Strong', contrast: 'more', colorScheme: 'dark', bars: PLAIN.bars }
];

/** Where the engine deviates from what a vantage says; see media.spec.ts for each. */
const EXCEPTIONS =
	/\((scan|nav-controls|environment-blending|video-dynamic-range|prefers-reduced-data|inverted-colors)|infinite|dpcm|\dex\)/;

const queries = QUERIES.filter(
	(query) =>
		query !== '' &&
		!EXCEPTIONS.test(query) &&
		parseSheet(`@media ${query} { a { b: c } }`).notes.length === 0 &&
		!query.includes('{')
);
const css = queries.map((query, i) => `@media ${query} { #q${i} { color: rgb(1, 2, 3) } }`).join('\n');
const body = queries.map((_, i) => `<i id=q${i}></i>`).join('');
const html = `<!doctype html><meta name="viewport" content="width=device-width, initial-scale=1"><style></style><body>${body}`;

const matching = (): string[] =>
	[...document.querySelectorAll('i')]
		.filter((one) => getComputedStyle(one).color === 'rgb(1, 2, 3)')
		.map(({ id }) => id);

test('in a frame, conditions hold that would hold in the vantage’s own viewport', async ({
	page,
	server,
	browser
}) => {
	await page.goto(`${server.url}/site/1/site`);
	await page.evaluate(await clientBundle());
	let compared = 0;
	for (const vantage of VANTAGES) {
		const real = await (await browser.newContext(emulated(vantage))).newPage();
		await real.setContent(html.replace('<style></style>', `<style>${css}</style>`));
		const expected = await real.evaluate(matching);
		await real.context().close();

		await page.evaluate(
			async ({ vantage, html, css }) => {
				const { openStage, simulatedText } = globalThis.stageClient;
				const stage = await openStage(document.body, 1, 5, { pattern: 'stage-{n}-s{site}.localhost' });
				stage.iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%';
				const { width, height, density } = vantage;
				await stage.host.arrange([
					{ frame: 'a', left: 0, top: 0, scale: 0.3, viewport: { width, height, density } }
				]);
				const sheets = [{ element: [0, 1], text: simulatedText(css, vantage) }];
				await stage.host.write(['a'], {
					address: '/probe.html',
					html,
					sheets,
					rules: '',
					films: 'play',
					rightToLeft: false,
					staged: [],
					taps: false
				});
			},
			{ vantage, html, css }
		);
		const frame = page.frames().find((one) => one.parentFrame()?.parentFrame() === page.mainFrame());
		const seen = await frame?.evaluate(matching);
		await page
			.locator('iframe[title="Page frames"]')
			.evaluateAll((frames) => frames.forEach((one) => one.remove()));
		const name = (id: string): string => queries[Number(id.slice(1))] ?? id;
		expect(seen?.map(name), vantage.name).toEqual(expected.map(name));
		expect(expected.length).toBeGreaterThan(50);
		compared += queries.length;
	}
	console.log(`${compared} conditions compared: ${queries.length} in ${VANTAGES.length} vantages.`);
});

test('touch frames do not hover under the mouse, mouse frames do', async ({ page, server }) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=a.css><p id=x>x</p>',
		'a.css':
			'body { margin: 0 } #x { height: 3000px; margin: 0; color: rgb(0, 0, 1) } #x:hover { color: rgb(0, 0, 2) }'
	});
	await openBench(page, server, site);
	const [lead, handset] = pageFrames(page);
	const over = async (words: string): Promise<void> => {
		const box = await page.locator('.frame', { hasText: words }).boundingBox();
		await page.mouse.move((box?.x ?? 0) + 40, (box?.y ?? 0) + 60);
	};
	const coloured = (frame: typeof lead, color: string) =>
		expect(frame?.locator('#x') ?? page.locator('none')).toHaveCSS('color', color);
	await over('Carriage');
	await coloured(lead, 'rgb(0, 0, 2)');
	await over('Handset');
	await coloured(lead, 'rgb(0, 0, 1)');
	expect(await handset?.evaluate(() => document.querySelector('#x')?.matches(':hover'))).toBe(true);
	await coloured(handset, 'rgb(0, 0, 1)');
});
