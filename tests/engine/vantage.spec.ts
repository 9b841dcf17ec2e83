import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';
import { SHIPPED, type Vantage } from '../../src/lib/core/vantage/index.ts';
import { LAUNCH } from '../launch.ts';
import { bring, expect, framesShown, freshDemo, pageFrames, test, type Server } from '../fixtures.ts';
import { fromFolder, originOf, plainServer, realPage, startAs } from './vantage/real.ts';
import { isReady, LONGHANDS, readPage, type Reading } from './vantage/reading.ts';

const PAGES = join(import.meta.dirname, 'vantage/pages');
const DEMO = join(import.meta.dirname, '../../demo/site');
const STILL = { top: 0, bottom: 0, state: 'out' } as const;
const AREAS = { top: 0, right: 0, bottom: 0, left: 0 };

/** No browser on this machine has bars and safe areas: these are proved by arithmetic below. */
const bare = (vantage: Vantage): Vantage => ({ ...vantage, bars: STILL, safeAreas: AREAS });
const [, handset, slate, , desk] = SHIPPED as [Vantage, Vantage, Vantage, Vantage, Vantage];

const VANTAGES: readonly Vantage[] = [
	...SHIPPED.map(bare),
	{ ...bare(slate), name: 'Night', colorScheme: 'dark', reducedMotion: true, contrast: 'more' },
	{ ...desk, name: 'Large text', defaultFontSize: 20 },
	{ ...desk, name: 'Small text', width: 1000, defaultFontSize: 12, scrollbar: 0 },
	{ ...desk, name: 'Zoomed', width: 1280, zoom: 2, scrollbar: 0 }
];

/** A known difference: on which elements, in what, and why (docs/frames.md). */
interface Exception {
	readonly why: string;
	readonly holds: (at: {
		tag: string;
		name: string;
		vantage: Vantage;
		here: string;
		real: string;
	}) => boolean;
}

const BASELINE =
	'a baseline lies one device pixel off: text is rounded otherwise under text-rendering; a line of several fonts is that much higher';

/** Which numbers of a value lie across lines, so that line heights do not affect them. */
const ACROSS: Readonly<Record<string, readonly number[]>> = {
	box: [0, 2],
	view: [0, 1, 2],
	height: [],
	'block-size': [],
	'perspective-origin': [0],
	'transform-origin': [0]
};

const EXCEPTIONS: readonly Exception[] = [
	{
		why: 'text-rendering is geometricPrecision at densities from 1.5',
		holds: ({ name, vantage }) => name === 'text-rendering' && vantage.density * vantage.zoom >= 1.5
	},
	{
		why: 'color-scheme names the preferred one of both',
		holds: ({ name, here, real, vantage }) =>
			name === 'color-scheme' && real === 'light dark' && here === vantage.colorScheme
	},
	{
		why: 'a textarea without a width of its own leaves room for the scrollbar of the machine in use',
		holds: ({ tag, name }) => tag === 'textarea' && /^(box|width|inline-size|.*-origin)$/.test(name)
	},
	{
		why: 'a table of a page without a doctype takes its text size from the engine’s own default',
		holds: ({ tag, name, vantage }) =>
			/^(table|tbody|tr|td)$/.test(tag) &&
			vantage.defaultFontSize !== 16 &&
			/^(font-size|box|width|inline-size|.*-origin)$/.test(name)
	},
	{
		why: BASELINE,
		holds: ({ name, vantage, here, real }) => {
			const density = vantage.density * vantage.zoom;
			const numbersOf = (text: string): number[] => (text.match(/-?[\d.]+/g) ?? []).map(Number);
			const [numbers, others] = [numbersOf(here), numbersOf(real)];
			const across = ACROSS[name];
			return (
				density >= 1.5 &&
				across !== undefined &&
				numbers.length > 0 &&
				numbers.length === others.length &&
				numbers.every((one, i) => {
					const off = Math.abs(one - (others[i] ?? NaN));
					return across.includes(i) ? off === 0 : off <= (name === 'view' ? 1 : 1 / density + 0.001);
				})
			);
		}
	}
];

/** Puts vantages into a site, all beside the lead. */
async function show(server: Server, site: number, vantages: readonly Vantage[]): Promise<void> {
	const record = (await (await fetch(`${server.url}/api/sites/${site}`)).json()) as {
		vantagesVersion: string;
	};
	const response = await fetch(`${server.url}/api/sites/${site}/vantages`, {
		method: 'PUT',
		headers: { 'content-type': 'application/json', origin: server.url },
		body: JSON.stringify({
			base: record.vantagesVersion,
			vantages: vantages.map((fields) => ({ chorus: true, fields }))
		})
	});
	if (!response.ok) throw new Error(await response.text());
}

async function framesOf(page: Page, server: Server, site: number, path: string, count: number) {
	await page.goto(`${server.url}/site/${site}/bench?page=${path}`);
	await framesShown(page, count + 1);
	return pageFrames(page).slice(1);
}

/** Differences by description, with their number. */
type Differences = Map<string, number>;

const unknown = (differences: Differences): string[] =>
	[...differences.keys()].filter((what) => !what.startsWith('known'));

function compare(here: Reading, real: Reading, vantage: Vantage): Differences {
	const found: Differences = new Map();
	const differ = (tag: string, name: string, a: string, b: string): void => {
		const at = { tag, name, vantage, here: a, real: b };
		const known = EXCEPTIONS.find(({ holds }) => holds(at));
		const what = known ? `known: ${known.why}` : `${vantage.name}: ${tag} ${name}: ${a} for ${b}`;
		found.set(what, (found.get(what) ?? 0) + 1);
	};
	if (here.elements.length !== real.elements.length) {
		differ('page', 'elements', String(here.elements.length), String(real.elements.length));
	}
	if (here.view.join() !== real.view.join()) differ('page', 'view', here.view.join(), real.view.join());
	real.elements.forEach(({ tag, box, values }, i) => {
		const other = here.elements[i];
		// A link has become a style element here, in the same place; neither is shown.
		if (!other || (tag === 'link' && other.tag === 'style')) return;
		if (tag !== other.tag) differ(tag, 'tag', other.tag, tag);
		if (box.some((side, j) => Math.abs(side - (other.box[j] ?? NaN)) > 1 / 64)) {
			differ(tag, 'box', other.box.join(' '), box.join(' '));
		}
		values.forEach((value, j) => {
			if (value !== other.values[j]) differ(tag, real.names[j] ?? '', other.values[j] ?? '', value);
		});
	});
	return found;
}

test('a frame is laid out and styled as a page of its own in a browser started as its vantage', async ({
	server
}) => {
	const fixtures = await readdir(PAGES);
	const files = Object.fromEntries(
		await Promise.all(
			fixtures.map(async (name) => [name, await readFile(join(PAGES, name), 'utf8')] as const)
		)
	);
	const fixtureSite = await bring(server, files);
	const app = await chromium.launch({ ...LAUNCH, ignoreDefaultArgs: ['--hide-scrollbars'] });
	const page = await app.newPage({ viewport: { width: 1600, height: 1000 } });
	const count = { boxes: 0, values: 0 };
	const found: Differences = new Map();
	const sites = [
		{ site: await freshDemo(server), folder: DEMO, every: false },
		{ site: fixtureSite, folder: PAGES, every: true }
	];
	const browsers: Browser[] = [];
	for (const vantage of VANTAGES) browsers.push(await startAs(vantage));
	const reals = await Promise.all(VANTAGES.map((vantage, i) => realPage(browsers[i] as Browser, vantage)));
	for (const { site, folder, every } of sites) {
		const plain = await plainServer(fromFolder(folder));
		await show(server, site, VANTAGES);
		const pages = (await readdir(folder)).filter(
			(name) => name.endsWith('.html') && (!process.env.ONLY || name === process.env.ONLY)
		);
		for (const path of pages) {
			const frames = await framesOf(page, server, site, path, VANTAGES.length);
			for (const [i, vantage] of VANTAGES.entries()) {
				const frame = frames[i];
				if (!frame) throw new Error('A frame is missing.');
				const asked = { longhands: LONGHANDS, every };
				// A page in a frame receives no events, and has no promise of its films.
				await expect.poll(() => frame.evaluate(isReady)).toBe(true);
				const here = JSON.parse(await frame.evaluate(readPage, asked)) as Reading;
				const real = reals[i] as Page;
				await real.goto(`${originOf(plain)}/${path}`);
				await expect.poll(() => real.evaluate(isReady)).toBe(true);
				const expected = JSON.parse(await real.evaluate(readPage, asked)) as Reading;
				expect(here.names).toEqual(expected.names);
				for (const [what, times] of compare(here, expected, vantage))
					found.set(what, (found.get(what) ?? 0) + times);
				count.boxes += here.elements.length;
				count.values += here.elements.length * here.names.length;
			}
		}
		plain.close();
	}
	for (const browser of [...browsers, app]) await browser.close();
	console.log(`${count.boxes} boxes and ${count.values} values compared in ${VANTAGES.length} vantages.`);
	for (const [what, times] of found) if (what.startsWith('known')) console.log(`${times} × ${what}`);
	expect(unknown(found)).toEqual([]);
	expect(found.get(`known: ${BASELINE}`) ?? 0).toBeLessThan(count.boxes / 20);
});

test('bars and safe areas are those of the vantage, by arithmetic', async ({ page, server }) => {
	const rules = {
		small: 'height: 10svh',
		large: 'height: 10lvh',
		dynamic: 'height: 10dvh',
		plain: 'height: 10vh',
		block: 'height: 10svb',
		least: 'height: 50svmin',
		most: 'height: 10lvmax',
		mixed: 'height: calc(100lvh - 100svh)',
		negative: 'height: 200px; margin-bottom: -10lvh; padding-bottom: calc(-1 * -10svh)',
		custom: '--h: 20lvh; height: calc(var(--h) / 2)',
		inset:
			'height: 0; padding-bottom: env(safe-area-inset-bottom); padding-top: calc(env(safe-area-inset-top, 9px) + 1px)',
		asked: 'height: 1px'
	};
	const css =
		Object.entries(rules)
			.map(([id, rule]) => `#${id} { ${rule} }`)
			.join('\n') + '\n@media (max-height: 82lvh) { #asked { height: 2px } }';
	const body = Object.keys(rules)
		.map((id) => `<div id="${id}"></div>`)
		.join('');
	const html = (viewport: string): string =>
		`<!doctype html><meta name="viewport" content="${viewport}"><link rel="stylesheet" href="a.css"><style>body{margin:0}</style>${body}<p id="attribute" style="margin: 0; height: 10lvh">`;
	const site = await bring(server, {
		'a.css': css,
		'cover.html': html('width=device-width, viewport-fit=cover'),
		'plain.html': html('width=device-width')
	});
	const bars = { top: 40, bottom: 60 };
	const base = { ...handset, width: 400, height: 500, safeAreas: { ...AREAS, top: 20, bottom: 30 } };
	await show(server, site, [
		{ ...base, name: 'Out', bars: { ...bars, state: 'out' } },
		{ ...base, name: 'In', bars: { ...bars, state: 'in' } },
		{ ...base, name: 'Out, twice as large', bars: { ...bars, state: 'out' }, zoom: 2 }
	]);
	// Small: 500. Large: 500 + 40 + 60 = 600. Zoom 2 halves all but the hundredths of what is a share of both.
	const always = { small: 50, large: 60, plain: 60, block: 50, least: 200, most: 60, mixed: 100, custom: 60 };
	const out = { ...always, negative: 250, dynamic: 50, inset: 51, asked: 1, attribute: 60 };
	const expected = {
		'cover.html': [
			// 82lvh is 492: a window of 500 is higher.
			out,
			{ ...out, dynamic: 60 },
			{
				small: 25,
				large: 30,
				plain: 30,
				block: 25,
				least: 100,
				most: 30,
				mixed: 50,
				custom: 30,
				negative: 225,
				dynamic: 25,
				inset: 26,
				asked: 1,
				attribute: 30
			}
		],
		'plain.html': [{ ...out, inset: 1 }]
	};
	for (const [path, frames] of Object.entries(expected)) {
		const shown = await framesOf(page, server, site, path, 3);
		for (const [i, boxes] of frames.entries()) {
			const ids = Object.keys(boxes);
			const measured = await shown[i]?.evaluate(
				(names) => names.map((id) => document.getElementById(id)?.offsetHeight),
				ids
			);
			expect(Object.fromEntries(ids.map((id, j) => [id, measured?.[j]])), `${path}, frame ${i}`).toEqual(
				boxes
			);
		}
	}
	expect(await (await framesOf(page, server, site, 'cover.html', 3))[1]?.evaluate(() => innerHeight)).toBe(
		600
	);
});
