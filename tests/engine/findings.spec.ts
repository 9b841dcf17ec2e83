import { clientBundle } from '../bundle.ts';
import { bring, expect, test, type Page } from '../fixtures.ts';

const PICTURE =
	'data:image/svg+xml,%3Csvg xmlns=%22http://www.w3.org/2000/svg%22 width=%22100%22 height=%2250%22/%3E';
const HTML = `<!doctype html><style>x</style><body><div class="wide">a</div><div class="room"><div class="box">b</div></div><div class="words"><b>left words</b><i>right words</i></div><img src="${PICTURE}" alt=""><div class="half">c</div><p class="clip">some words</p><p class="dots">other words</p><div class="narrow">Unbreakableword</div><div class="fares"><b>1</b><b>2</b><b>3</b><b>4</b><b>5</b></div><div class="stack"><p>Words under a lid</p><i></i></div><p class="few">abcde abcde abcde abcde</p>`;
const CSS = `
body { margin: 0; font: 16px/1.5 monospace }
.wide { width: 512.5px }
.room { width: 40% }
.box { width: 300px }
.words { position: relative; height: 30px }
.words * { position: absolute; left: 0; white-space: nowrap }
.words i { left: calc(100% - 500px) }
img { display: block; width: 50%; height: 151px }
@media (width >= 700px) { img { height: auto } }
.half { width: 130% }
@media (max-width: 599px) { .half { width: auto } }
@media (min-width: 600px) { .half { width: auto } }
p { margin: 0 }
.clip, .dots { width: 20%; overflow: hidden; white-space: nowrap }
.dots { width: 25%; text-overflow: ellipsis }
.narrow { width: 25% }
.fares { display: flex; flex-wrap: wrap }
.fares b { flex: 1 0 110px }
.stack { position: relative }
.stack i { position: absolute; top: 0; left: 30%; width: 90px; height: 20px; background: red }
.few { width: 20% }`;

declare global {
	var stageOf: (site: number, n: number) => ReturnType<typeof globalThis.stageClient.openStage>;
}

/** Has a page measured as the application does. */
async function measuring(page: Page, server: Parameters<typeof bring>[0], html: string): Promise<number> {
	const site = await bring(server, { 'index.html': html });
	await page.goto(`${server.url}/site/${site}/site`);
	await page.evaluate(await clientBundle());
	await page.evaluate(() => {
		globalThis.stageOf = async (site, n) => {
			const pattern = 'stage-{n}-s{site}.localhost';
			const stage = await globalThis.stageClient.openStage(document.body, site, n, { pattern });
			stage.iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%;visibility:hidden';
			return stage;
		};
	});
	return site;
}

test('faults of a page are found with the widths that arithmetic has, by a quick sweep as by a whole one', async ({
	page,
	server
}) => {
	const site = await measuring(page, server, HTML);
	const { quick, whole, counts, texts } = await page.evaluate(
		async ({ site, html, css }) => {
			const client = globalThis.stageClient;
			const queue = client.measuringQueue((n) => globalThis.stageOf(site, n), 1);
			const content = client.contentOf(html, css);
			const viewport = { width: 800, height: 700, density: 1 };
			const stretch = { from: 300, to: 800 };
			const cut = (at: number, after = false) => ({ at: client.rationalFromNumber(at), after });
			const cuts = [cut(599, true), cut(600), cut(700)];
			const known = new Map<number, ReadonlyMap<string, number | string>>();
			const measure = async (widths: readonly number[]): Promise<void> => {
				for await (const { width, readings } of queue.read({ content, viewport, widths }))
					known.set(width, readings);
			};
			/** How wide the texts are, in document order. */
			const texts: number[] = [];
			for await (const { snapshot } of queue.measure({ content, viewport, widths: [800] }))
				for (let i = 2; i < snapshot.lines.length; i += 4) texts.push(snapshot.lines[i] ?? 0);
			const told = (): string[] =>
				client
					.foundIn(known, cuts)
					.map(
						({ key, widths, exact }) =>
							`${key} ${client.printIntervalSet(widths)}${exact ? '' : ' (not exact)'}`
					)
					.sort();
			const first = client.firstWidths(stretch, cuts, 32);
			for (let next = first; next.length > 0; next = client.nextWidths(known)) await measure(next);
			const quick = told();
			const counts = { first: first.length, quick: known.size, whole: 0 };
			await measure(client.remainingWidths(known, stretch, 1000));
			counts.whole = known.size;
			return { quick, whole: told(), counts, texts };
		},
		{ site, html: HTML, css: CSS }
	);
	const [, , left = 0, right = 0, , some = 0, other = 0, long = 0, , , , , , lid = 0, few = 0] = texts;
	/** The last px below a width. */
	const under = (width: number): number => Math.ceil(width) - 1;
	expect(quick).toEqual(
		[
			`column 1.10 300–${under(few / 0.2)}`,
			`covered 1.9.0 1.9.1 300–${under((lid - 2) / 0.3)}`,
			`cut 1.5 1.5 300–${under((some - 1 / 32) / 0.2)}`,
			`cut 1.6 1.6 300–${under((other - 1 / 32) / 0.25)}`,
			'edge 1.1.0 1.1 300–747',
			`outside 1.2.1 1.2 300–${under(500 - right / 2)}`,
			// While the right ones end right of where the left ones begin, and begin left of where those end, but for 2 px.
			`overlap 1.2.0 1.2.1 ${Math.floor(502 - right) + 1}–${under(498 + left)}`,
			'row 1.8 329–330, 439–440, 549–550',
			'sideways 1.0 300–512',
			'sideways 1.4 599<–<600',
			'stretched 1.3 300–586, 623–<700',
			`word 1.7 300–${under((long - 1 / 32) / 0.25)}`
		].sort()
	);
	expect(whole).toEqual(quick);
	expect(counts.whole).toBe(502);
	// Ends and changes that no condition makes, each with two widths beside it.
	expect(counts.quick - counts.first).toBeLessThanOrEqual(3 * 14 * 2);
	console.log(`${counts.quick} of ${counts.whole} widths, ${counts.first} of them at first`);
});

/** What covers text `b`, and what lies under it: `i` is the box, in a place of its own each time. */
const LAYERS = [
	'<b>x</b><i></i>',
	'<b>x</b><i style="position:relative"></i>',
	'<b style="position:relative">x</b><i style="position:relative"></i>',
	'<i style="position:relative"></i><b style="position:relative">x</b>',
	'<i style="position:relative;z-index:1"></i><b style="position:relative">x</b>',
	'<i style="z-index:1"></i><b style="position:relative">x</b>',
	'<b style="position:relative;z-index:-1">x</b><i></i>',
	'<b>x</b><i style="position:relative;z-index:-1"></i>',
	'<b>x</b><i style="opacity:.999"></i>',
	'<b>x</b><i style="transform:translate(0)"></i>',
	'<b style="transform:translate(0)">x</b><i style="position:relative"></i>',
	'<u style="opacity:.9"><b style="position:relative;z-index:5">x</b></u><i style="position:relative;z-index:1"></i>',
	'<u style="position:relative"><b style="position:relative;z-index:5">x</b></u><i style="position:relative;z-index:1"></i>',
	'<u style="position:relative;z-index:0"><b style="position:relative;z-index:5">x</b></u><i style="position:relative;z-index:1"></i>',
	'<u style="isolation:isolate"><b style="position:relative;z-index:5">x</b></u><i style="position:relative"></i>',
	'<b style="position:relative">x</b><u style="position:relative;z-index:-1"><i style="position:relative;z-index:9"></i></u>',
	'<u style="position:relative"><b>x</b><i></i></u>',
	'<u style="position:relative"><b>x</b></u><i style="filter:blur(0)"></i>',
	'<u style="display:flex"><b>x</b><i style="z-index:1"></i></u>',
	'<u style="display:flex"><b style="z-index:2">x</b><i style="z-index:1"></i></u>',
	'<b>x</b><u style="will-change:transform"><i></i></u>',
	'<u style="contain:paint"><b>x</b></u><i></i>',
	'<u style="contain:paint"><b style="position:relative;z-index:3">x</b></u><i style="position:relative;z-index:1"></i>'
];

test('what lies over what is as the engine has it when it is asked what is at a point', async ({
	page,
	server
}) => {
	const css =
		'body{margin:0}div{height:30px;overflow:clip}u{text-decoration:none;display:block}b{display:block;height:20px;width:100px;font:16px/20px monospace}i{display:block;width:100px;height:20px;margin-top:-20px;background:red}div>i:first-child{margin:0 0 -20px}u[style*=flex] i{margin:0 0 0 -100px}';
	const html = `<!doctype html><style>${css}</style><body>${LAYERS.map((one) => `<div>${one}</div>`).join('')}`;
	const site = await measuring(page, server, html);
	const own = await page.evaluate(
		async ({ site, html, css }) => {
			const { measuringQueue, contentOf, isPaintedOver } = globalThis.stageClient;
			const queue = measuringQueue((n) => globalThis.stageOf(site, n), 1);
			const content = contentOf(html, css);
			const viewport = { width: 400, height: 700, density: 1 };
			for await (const { snapshot } of queue.measure({ content, viewport, widths: [400] })) {
				const all = (tag: string) => snapshot.tags.flatMap((one, i) => (one === tag ? i : []));
				const boxes = all('i');
				return all('b').map((text, n) => isPaintedOver(snapshot, boxes[n] ?? -1, text));
			}
			return [];
		},
		{ site, html, css }
	);
	const plain = await page.context().newPage();
	await plain.setViewportSize({ width: 400, height: 800 });
	await plain.setContent(html);
	const engine = await plain.evaluate(() =>
		[...document.querySelectorAll('div')].map((row) => {
			const { left, top } = row.getBoundingClientRect();
			return document.elementFromPoint(left + 4, top + 10)?.localName === 'i';
		})
	);
	console.log(`${engine.length} cases, ${engine.filter(Boolean).length} with the text covered`);
	expect(LAYERS.map((one, i) => `${String(own[i])} ${one}`)).toEqual(
		LAYERS.map((one, i) => `${String(engine[i])} ${one}`)
	);
});

/** Pages in which something reaches beyond the window's edge, or seems to, because of something odd. */
const REACHING: Readonly<Record<string, string>> = {
	'a body that hides': '<style>body{overflow-x:hidden}</style><p style="width:500px">wide</p>',
	'a root that hides': '<style>html{overflow:clip}</style><p style="width:500px">wide</p>',
	'paint containment': '<div style="contain:paint"><p style="width:500px">wide</p></div>',
	'a strict container': '<div style="contain:content"><p style="width:500px">wide</p></div>',
	'layout containment': '<div style="contain:layout"><p style="width:500px">wide</p></div>',
	'spaces that hang': `<p style="white-space:pre-wrap;width:340px">words${' '.repeat(80)}\nmore</p>`,
	'spaces that are kept': `<p style="white-space:pre;width:100px">words${' '.repeat(80)}</p>`,
	'spaces that break': `<p style="white-space:break-spaces;width:340px">words${' '.repeat(80)}</p>`,
	'four tenths of a px': '<p style="width:calc(100% + 0.4px)">x</p>',
	'six tenths of a px': '<p style="width:calc(100% + 0.6px)">x</p>',
	'a plain one': '<p style="width:350.25px">x</p>',
	'a placed one in one that hides and is placed in nothing':
		'<div style="overflow:hidden"><p style="position:absolute;left:300px;width:100px">x</p></div>',
	'a placed one in one that hides':
		'<div style="overflow:hidden;position:relative"><p style="position:absolute;left:300px;width:100px">x</p></div>',
	'a placed one in one that is turned':
		'<div style="overflow:hidden;transform:translate(0)"><p style="position:absolute;left:300px;width:100px">x</p></div>',
	'a fixed one': '<p style="position:fixed;left:300px;width:100px">x</p>',
	'one to the left': '<p style="margin-left:-100px;width:100px">x</p>',
	'from right to left': '<style>html{direction:rtl}</style><p style="width:350px">x</p>',
	'one that is scaled': '<p style="width:200px;transform:scale(2);transform-origin:0 0">x</p>',
	'a long word': '<p style="width:300px">Unbreakablewordthatislongerthanitsroom</p>',
	'a list that scrolls by itself': '<div style="overflow:auto"><p style="width:500px">x</p></div>'
};

/** What of a case is its sheet, after what all have, and what its body. */
function parted(page: string): { css: string; body: string } {
	const own = /^<style>(.*?)<\/style>/.exec(page);
	return {
		css: `body { margin: 0; font: 16px/1.5 monospace } p { margin: 0 } ${own?.[1] ?? ''}`,
		body: page.slice(own?.[0].length ?? 0)
	};
}

/** In the browser: the widths at which a quick reading says that a page scrolls sideways. */
async function saidSideways({
	site,
	css,
	body,
	widths
}: {
	site: number;
	css: string;
	body: string;
	widths: number[];
}): Promise<number[]> {
	const { measuringQueue, contentOf } = globalThis.stageClient;
	globalThis.fuzzQueue ??= measuringQueue((n) => globalThis.stageOf(site, n), 1);
	const content = contentOf(`<!doctype html><style></style><body>${body}`, css);
	const viewport = { width: 400, height: 700, density: 1 };
	const found: number[] = [];
	for await (const { width, readings } of globalThis.fuzzQueue.read({ content, viewport, widths }))
		if ([...readings].some(([key, value]) => key.startsWith('sideways') && Number(value) > 0))
			found.push(width);
	return found.sort((a, b) => a - b);
}

/** In the browser: whether a person can scroll the page sideways now; only a script can scroll to hidden content. */
function isScrolled(): boolean {
	const roots = [document.documentElement, document.body];
	if (roots.some((one) => /hidden|clip/.test(getComputedStyle(one).overflowX))) return false;
	scrollTo(getComputedStyle(document.documentElement).direction === 'rtl' ? -9999 : 9999, 0);
	const scrolled = Math.abs(scrollX) > 0;
	scrollTo(0, 0);
	return scrolled;
}

test('a page is said to scroll sideways where the engine scrolls it, and nowhere else', async ({
	page,
	server
}) => {
	const site = await measuring(page, server, '<p>x');
	const widths = Array.from({ length: 10 }, (_, i) => 300 + 17 * i);
	const plain = await page.context().newPage();
	for (const [name, written] of Object.entries(REACHING)) {
		const { css, body } = parted(written);
		const said = await page.evaluate(saidSideways, { site, css, body, widths });
		await plain.setContent(`<!doctype html><style>${css}</style><body>${body}`);
		const scrolls: number[] = [];
		for (const width of widths) {
			await plain.setViewportSize({ width, height: 700 });
			if (await plain.evaluate(isScrolled)) scrolls.push(width);
		}
		expect({ [name]: said }).toEqual({ [name]: scrolls });
	}
	console.log(`${Object.keys(REACHING).length} pages compared at ${widths.length} widths each.`);
});
