import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parsePage } from '../../src/lib/core/html/index.ts';
import { bring, expect, openBench, pageFrames, test } from '../fixtures.ts';
import { atRest, settled } from '../rest.ts';

const MESSY = `<!DOCTYPE html><p>one<div>two<table><div>fostered</div><tr><td>x<b>y</table></b></div><ul><li>a<li>b<noscript><i>n</i></noscript>
<svg><g><path/></g><foreignObject><p>in</p></foreignObject></svg><math><mi>x</mi></math><select><option>a<option>b</select><template><p>t</p></template><a>1<a>2</a><p><em>m</p>n</em><frame><style>p{}`;

test('the elements that core finds in a source are those of the frames, in the same places', async ({
	page,
	server
}) => {
	const site = join(import.meta.dirname, '..', '..', 'demo', 'site');
	const sources: Record<string, string> = { 'messy.html': MESSY };
	for (const name of ['home', 'sailings', 'boats', 'island', 'booking'])
		sources[`${name}.html`] = await readFile(join(site, `${name}.html`), 'utf8');
	const id = await bring(server, sources);
	let compared = 0;
	for (const [path, source] of Object.entries(sources)) {
		await openBench(page, server, id, `?page=${path}`);
		const tags = await pageFrames(page)[0]?.evaluate(() => {
			const found: string[] = [];
			const visit = (element: Element, at: string): void => {
				found.push(`${at} ${element.localName}`);
				[...element.children].forEach((child, i) => visit(child, `${at}.${i}`));
			};
			visit(document.documentElement, '');
			return found;
		});
		const own = parsePage(source).elements.map(
			({ path: at, tag }) => `${at.map((i) => `.${i}`).join('')} ${tag}`
		);
		// A linked sheet is a style element on the stage.
		expect(
			tags?.map((one) => one.toLowerCase()),
			path
		).toEqual(
			own.map((one, i) =>
				one.endsWith(' link') && tags?.[i]?.endsWith(' style') ? one.replace(/link$/, 'style') : one
			)
		);
		compared += own.length;
	}
	console.log(`${compared} elements compared on ${Object.keys(sources).length} pages.`);
	expect(compared).toBeGreaterThan(300);
});

test('frames take the viewport of their vantage, pictures by its density', async ({ page, server }) => {
	await openBench(page, server);
	const look = () =>
		Promise.all(
			pageFrames(page).map((frame) =>
				frame.evaluate(() => ({
					size: `${innerWidth} × ${innerHeight}`,
					density: devicePixelRatio,
					resolution: matchMedia(`(resolution: ${devicePixelRatio}dppx)`).matches,
					picture: document.querySelector<HTMLImageElement>('.sail img')?.currentSrc.replace(/^.*\//, '')
				}))
			)
		);
	const picture = 'ramp-960.webp';
	// A frame's pictures are chosen and fetched by the browser, whatever the application has ended.
	await expect.poll(look).toEqual([
		{ size: expect.stringMatching(/^\d+ × \d+$/), density: 1, resolution: true, picture: 'ramp-480.webp' },
		{ size: '400 × 800', density: 2.5, resolution: true, picture },
		{ size: '800 × 1100', density: 2, resolution: true, picture },
		{ size: '1300 × 740', density: 2, resolution: true, picture }
	]);
});

test('imports lie in place, with their conditions and addresses', async ({ page, server }) => {
	const site = await bring(server, {
		'index.html': '<!doctype html><link rel=stylesheet href=css/a.css><p id=x>x</p><p id=y>y</p>',
		'css/a.css': '@import "deep/b.css" layer(low) (width >= 500px);\n#x { color: rgb(1, 1, 1) }',
		'css/deep/b.css':
			'#x { color: rgb(9, 9, 9) } #y { color: rgb(2, 2, 2); background-image: url(../../i.svg) } @media (width < 600px) { #y { color: rgb(3, 3, 3)',
		'i.svg': '<svg xmlns="http://www.w3.org/2000/svg"/>'
	});
	await openBench(page, server, site);
	const [, handset, slate] = pageFrames(page);
	await expect(slate?.locator('#x') ?? page.locator('none')).toHaveCSS('color', 'rgb(1, 1, 1)');
	await expect(slate?.locator('#y') ?? page.locator('none')).toHaveCSS('color', 'rgb(2, 2, 2)');
	await expect(slate?.locator('#y') ?? page.locator('none')).toHaveCSS(
		'background-image',
		/localhost:\d+\/i\.svg/
	);
	await expect(handset?.locator('#y') ?? page.locator('none')).toHaveCSS('color', 'rgb(0, 0, 0)');
});

test('scrolling one frame scrolls the others to the same element, unless switched off', async ({
	page,
	server
}) => {
	await openBench(page, server, 1, '?page=island.html');
	const [lead, handset, slate] = pageFrames(page);
	/** Where a heading stands on the screen of a frame, px from its top. */
	const heading = (frame: typeof lead): Promise<number> =>
		frame
			?.getByRole('heading', { name: 'The light' })
			.evaluate((element) => element.getBoundingClientRect().top) ?? Promise.resolve(NaN);
	const near = async (frame: typeof lead): Promise<void> =>
		expect(await settled(page, async () => Math.abs((await heading(frame)) - 110))).toBeLessThan(15);
	await lead
		?.getByRole('heading', { name: 'The light' })
		.evaluate((element) => scrollBy({ top: element.getBoundingClientRect().top - 110, behavior: 'instant' }));
	await near(lead);
	await near(handset);
	await near(slate);
	await handset?.evaluate(() => scrollTo({ top: 0, behavior: 'instant' }));
	expect(await settled(page, () => lead?.evaluate(() => scrollY))).toBe(0);
	await page.getByLabel('scroll in step').uncheck();
	await atRest(page);
	await lead?.evaluate(() => scrollTo({ top: 300, behavior: 'instant' }));
	expect(await settled(page, () => lead?.evaluate(() => scrollY))).toBe(300);
	await page.getByLabel('scroll in step').check();
	await atRest(page);
	await slate?.evaluate(() => scrollTo({ top: 200, behavior: 'instant' }));
	expect(await settled(page, () => slate?.evaluate(() => scrollY))).toBe(200);
	expect(await settled(page, () => handset?.evaluate(() => scrollY))).toBeGreaterThan(0);
});
