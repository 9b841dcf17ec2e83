import { clientBundle } from '../bundle.ts';
import { bring, expect, test } from '../fixtures.ts';

const drawn = (width: number): string =>
	`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="10"/>`;
const SITE = {
	'50.svg': drawn(50),
	'200.svg': drawn(200),
	'index.html':
		'<!doctype html><style></style><body><div id=box>words that wrap in a narrow box <span>x</span></div>',
	'other.html': '<p>other'
};
const CSS =
	'body { margin: 0 } #box { width: 50%; height: 10px; overflow: hidden } @media (width > 599.5px) { #box { width: 25%; position: sticky } } span { transition: all 9s; animation: m 9s infinite } @keyframes m { to { width: 9px } }';

test.beforeEach(async ({ page, server }) => {
	const site = await bring(server, SITE);
	await page.goto(`${server.url}/site/${site}/site`);
	await page.evaluate(await clientBundle());
	await page.evaluate(
		async ({ site, css }) => {
			const { openStage, measuringQueue, contentOf } = globalThis.stageClient;
			let opened = 0;
			const open = async (n: number) => {
				opened++;
				const stage = await openStage(document.body, site, n, { pattern: 'stage-{n}-s{site}.localhost' });
				stage.iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%;visibility:hidden';
				return stage;
			};
			const content = contentOf(
				'<!doctype html><style>x</style><body><div id=box>words that wrap in a narrow box <span>x</span></div>',
				css
			);
			Object.assign(globalThis, { queue: measuringQueue(open, 2), content, opened: () => opened });
		},
		{ site, css: CSS }
	);
});

declare global {
	var queue: ReturnType<typeof globalThis.stageClient.measuringQueue>;
	var content: Parameters<typeof globalThis.queue.measure>[0]['content'];
	var opened: () => number;
}

test('a page is measured at each width, between pixels too, once for the same content', async ({ page }) => {
	const measured = await page.evaluate(async () => {
		const viewport = { width: 1000, height: 700, density: 1 };
		const job = { content, viewport, widths: [400, 599, 599.5, 599.75, 600, 1000] };
		const rows: Record<string, unknown> = {};
		const first = new Map<number, unknown>();
		for await (const { width, snapshot } of queue.measure(job)) {
			first.set(width, snapshot);
			const box = snapshot.tags.indexOf('div');
			rows[width] = [
				snapshot.boxes[4 * box + 2],
				snapshot.parent[box],
				snapshot.flags[box],
				snapshot.clip[box + 1] === box,
				snapshot.count
			];
		}
		const stages = opened();
		// What was measured is handed over as it is.
		let again = 0;
		for await (const { width, snapshot } of queue.measure(job)) if (first.get(width) === snapshot) again++;
		return { rows, again, stages, later: opened() };
	});
	const [shown, clips, sticky, positioned, stacks] = [1, 16, 4, 8, 1 << 20];
	const narrow = (width: number) => [width / 2, 3, shown | clips, true, 6];
	const wide = (width: number) => [width / 4, 3, shown | clips | sticky | positioned | stacks, true, 6];
	expect(measured.rows).toEqual({
		400: narrow(400),
		599: narrow(599),
		'599.5': narrow(599.5),
		'599.75': wide(599.75),
		600: wide(600),
		1000: wide(1000)
	});
	expect(measured).toMatchObject({ again: 6, later: measured.stages });
});

test('what is urgent goes first, what is aborted ends, and two stages share the work', async ({ page }) => {
	const order = await page.evaluate(async () => {
		const viewport = { width: 1000, height: 700, density: 1 };
		const done: string[] = [];
		const run = async (
			name: string,
			from: number,
			count: number,
			priority: number,
			signal?: AbortSignal,
			seenOne?: () => void
		) => {
			const widths = Array.from({ length: count }, (_, i) => from + i);
			let seen = 0;
			for await (const one of queue.measure({
				content,
				viewport,
				widths,
				priority,
				...(signal ? { signal } : {})
			})) {
				seen += one.width > 0 ? 1 : 0;
				seenOne?.();
			}
			done.push(`${name} ${seen}`);
		};
		const stop = new AbortController();
		stop.abort();
		await Promise.all([
			run('slow', 300, 64, 0),
			run('aborted', 900, 64, 0, stop.signal),
			run('urgent', 700, 8, 5)
		]);
		// What is given up in the middle keeps nothing else from being done.
		const given = new AbortController();
		const up = run('given up', 1100, 200, 0, given.signal, () => given.abort());
		await Promise.all([up, run('after', 200, 8, 0)]);
		return { done, stages: opened() };
	});
	expect(order.done.slice(0, 3)).toEqual(['aborted 0', 'urgent 8', 'slow 64']);
	expect(order.done.at(-1)).toBe('after 8');
	expect(order.stages).toBe(2);
});

test('of several pictures the one is measured that a browser takes that opens the page there', async ({
	page,
	browser,
	server
}) => {
	// The files differ in their ratio of height to width, so heights tell them apart; `?` makes each address another picture.
	const pair = (n: number): string => `/50.svg?${n} 50w, /200.svg?${n} 200w`;
	const source = `<!doctype html><style></style><body style="margin: 0">${[
		`<img alt="" srcset="${pair(1)}" sizes="(width < 300px) calc(5rem + 5vw), 10vw"><br>`,
		'<img alt="" src="/50.svg?2" srcset="/200.svg?2 2x"><br>',
		`<picture><source media="(width < 1500px)" srcset="${pair(3)}" sizes="9vw"><source type="image/none" srcset="${pair(1)}"><img alt="" src="/200.svg"></picture><br>`,
		`<img alt="" srcset="${pair(3)}" sizes="30px"><br>`,
		`<img alt="" srcset="/50.svg?4, data:image/svg+xml,${encodeURIComponent(drawn(200))} 2x">`
	].join('')}`;
	const root = new URL(server.url);
	const site = await bring(server, { ...SITE, 'index.html': source });
	root.hostname = `stage-9-s${site}.localhost`;
	const places = [
		[2000, 3],
		[400, 1],
		[280, 1],
		[280, 2],
		[1000, 1],
		[2000, 1]
	] as const;
	// An emulated density is rounded otherwise than a real one, by less than a tenth of a px.
	const tenths = (height: number | undefined): number => Math.round((height ?? NaN) * 10);
	const heightsAt = `[...document.images].map((image) => image.getBoundingClientRect().height)`;
	for (const [width, density] of places) {
		const context = await browser.newContext({
			viewport: { width, height: 700 },
			deviceScaleFactor: density
		});
		const opened = await context.newPage();
		await opened.route('**/*', (route) =>
			route.request().resourceType() === 'document'
				? route.fulfill({ body: source, contentType: 'text/html' })
				: route.continue()
		);
		await opened.goto(root.href);
		const expected = ((await opened.evaluate(heightsAt)) as number[]).map(tenths);
		await context.close();
		const heights = await page.evaluate(
			async ({ source, width, density }) => {
				const own = globalThis.stageClient.contentOf(source, '');
				const viewport = { width, height: 700, density };
				for await (const { snapshot } of queue.measure({ content: own, viewport, widths: [width] }))
					return [...snapshot.tags.keys()]
						.filter((i) => snapshot.tags[i] === 'img')
						.map((i) => snapshot.boxes[4 * i + 3]);
				return [];
			},
			{ source, width, density }
		);
		expect([width, density, heights.map(tenths)]).toEqual([width, density, expected]);
	}
});

test('a picture that is another one at another width is measured as that one', async ({ page }) => {
	const widths = await page.evaluate(async () => {
		const own = globalThis.stageClient.contentOf(
			`<!doctype html><style></style><body><picture><source media="(max-width: 599px)" srcset="50.svg"><img alt="" src="200.svg"></picture>`,
			'body { margin: 0 }'
		);
		const rows: Record<number, number | undefined> = {};
		const viewport = { width: 1000, height: 700, density: 1 };
		for (const at of [700, 500, 600, 599, 1000, 240])
			for await (const { width, snapshot } of queue.measure({ content: own, viewport, widths: [at] }))
				rows[width] = snapshot.boxes[4 * snapshot.tags.indexOf('img') + 2];
		return rows;
	});
	expect(widths).toEqual({ 240: 50, 500: 50, 599: 50, 600: 200, 700: 200, 1000: 200 });
});

test('a frame that is gone is asked, written and restyled in vain, and nothing fails', async ({ page }) => {
	expect(
		await page.evaluate(async () => {
			const site = Number(location.pathname.split('/')[2]);
			const { host, iframe } = await globalThis.stageClient.openStage(document.body, site, 7, {
				pattern: 'stage-{n}-s{site}.localhost'
			});
			iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%';
			await host.write(['lead'], content);
			await host.restyle(['lead'], content.sheets);
			return [
				await host.found('lead', '*'),
				(await host.unseen('lead')).size,
				await host.hits('lead', ['*']),
				await host.matching('lead', [1], ['*']),
				(await host.cascade('lead', [1], '')).length,
				await host.containing('lead', [1]),
				await host.spaces('lead', [1]),
				await host.moving('lead', [1]),
				(await host.facts('lead', ['*'], 9, [])).elements,
				(await host.computed('lead', [[1]])).map(({ size }) => size)
			];
		})
	).toEqual([[], 0, [0], [false], 0, null, [], [], [], [0]]);
});
