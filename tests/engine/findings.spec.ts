import { clientBundle } from '../bundle.ts';
import { bring, expect, test } from '../fixtures.ts';

const PICTURE =
	'data:image/svg+xml,%3Csvg xmlns=%22http://www.w3.org/2000/svg%22 width=%22100%22 height=%2250%22/%3E';
const HTML = `<!doctype html><style>x</style><body><div class="wide">a</div><div class="room"><div class="box">b</div></div><div class="words"><b>left words</b><i>right words</i></div><img src="${PICTURE}" alt=""><div class="half">c</div>`;
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
@media (min-width: 600px) { .half { width: auto } }`;

test('faults of a page are found with the widths that arithmetic has, by a quick sweep as by a whole one', async ({
	page,
	server
}) => {
	const site = await bring(server, { 'index.html': HTML });
	await page.goto(`${server.url}/site/${site}/site`);
	await page.evaluate(await clientBundle());
	const { quick, whole, counts, words } = await page.evaluate(
		async ({ site, html, css }) => {
			const client = globalThis.stageClient;
			const open = async (n: number) => {
				const stage = await client.openStage(document.body, site, n, {
					pattern: 'stage-{n}-s{site}.localhost'
				});
				stage.iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%;visibility:hidden';
				return stage;
			};
			const queue = client.measuringQueue(open, 1);
			const content = {
				address: '/index.html',
				html: client.inertSource(client.parsePage(html)),
				sheets: [{ element: [0, 0], text: css }],
				rules: '',
				films: 'play' as const,
				rightToLeft: false,
				staged: [],
				taps: false
			};
			const viewport = { width: 800, height: 700, density: 1 };
			const stretch = { from: 300, to: 800 };
			const cut = (at: number, after = false) => ({ at: client.rationalFromNumber(at), after });
			const cuts = [cut(599, true), cut(600), cut(700)];
			const known = new Map<number, ReadonlyMap<string, number>>();
			const words = { b: 0, i: 0 };
			const measure = async (widths: readonly number[]): Promise<void> => {
				for await (const { width, snapshot } of queue.measure({ content, viewport, widths })) {
					known.set(width, client.readingsOf(snapshot));
					for (const tag of ['b', 'i'] as const)
						words[tag] =
							snapshot.lines[4 * [...snapshot.lineOf].findIndex((of) => snapshot.tags[of] === tag) + 2] ?? 0;
				}
			};
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
			return { quick, whole: told(), counts, words };
		},
		{ site, html: HTML, css: CSS }
	);
	// The words overlap while the right ones end right of where the left ones begin, and begin left of where those end, but for 2 px.
	const [from, to] = [Math.floor(502 - words.i) + 1, Math.ceil(498 + words.b) - 1];
	expect(quick).toEqual([
		'edge 1.1.0 1.1 300–747',
		`overlap 1.2.0 1.2.1 ${from}–${to}`,
		'sideways 1.0 300–512',
		'sideways 1.4 599<–<600',
		'stretched 1.3 300–586, 623–<700'
	]);
	expect(whole).toEqual(quick);
	expect(counts.whole).toBe(502);
	// Six ends that no condition makes, each with two widths beside it.
	expect(counts.quick - counts.first).toBeLessThanOrEqual(3 * 6 * 2);
	console.log(`${counts.quick} of ${counts.whole} widths, ${counts.first} of them at first`);
});
