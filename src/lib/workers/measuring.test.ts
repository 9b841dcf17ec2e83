import { expose, transfer } from 'comlink';
import fc from 'fast-check';
import { afterEach, expect, test, vi } from 'vitest';
import { above, contains, NOTHING, printIntervalSet, rationalFromNumber } from '../core/interval/index.ts';
import { snapshot } from '../core/snapshot/snapshot.fixture.ts';
import { PLAIN, NO_SWITCHES, seenVantage } from '../core/vantage/index.ts';
import type { Hold } from '../core/wake/hold.ts';
import type { FollowReport } from '../inquiry/follow.ts';
import type { SweepReport } from '../inquiry/sweep.ts';
import type { Measured, PageContent, Read, Viewport } from '../stage/protocol.ts';
import { Measuring } from './measuring.ts';
import { Pages } from './pages.ts';
import type { MeasuringWindow } from './requests.ts';
import { TextKeeper, TextSender } from './texts.ts';

const as = seenVantage(PLAIN, NO_SWITCHES);
const page = (body: string): string =>
	`<!doctype html><link rel=stylesheet href=a.css><style>b { top: 0 }</style><body>${body}`;
const texts = (css: string, body = '<ul><li id=x><b>w</b></li></ul>'): Map<string, string> =>
	new Map([
		['a.html', page(body)],
		['b.html', '<p>x'],
		['a.css', css]
	]);

function asked(before: Map<string, string>, after: Map<string, string>, path = 'a.html') {
	const [was, is] = new TextSender().send(before, after);
	const files = [...after.keys()].filter((file) => before.get(file) !== after.get(file));
	return structuredClone(new Measuring().edit({ path, pathBefore: path, before: was, after: is, files, as }));
}

test('an edit reports the widths at which it can have an effect, in values that can be copied between threads', () => {
	const rule = '@media (width < 700px) { li, li:hover b { margin: 1px } }';
	const edit = asked(texts(''), texts(rule));
	expect(edit).toMatchObject({
		concerns: true,
		beyond: false,
		properties: ['margin'],
		selectors: ['li', 'li:is(*) b']
	});
	expect(printIntervalSet(edit.reach)).toBe('<700');
	expect(edit.cuts).toHaveLength(1);
	expect(edit.written).toEqual([
		{
			property: 'margin',
			value: '1px',
			important: false,
			file: 'a.css',
			selectors: ['li', 'li:hover b'],
			isOfRule: true
		}
	]);
	expect(asked(texts(''), texts(rule), 'b.html')).toMatchObject({ concerns: false, properties: [] });
});

test.each([
	['markup', texts(''), texts('', '<p>other')],
	['fonts', texts(''), texts('@font-face { font-family: x }')],
	['layers', texts('@layer a, b;'), texts('@layer b, a;')]
])('an edit of %s can reach everything', (_, before, after) => {
	const edit = asked(before, after);
	expect([edit.beyond, contains(edit.reach, rationalFromNumber(1))]).toEqual([true, true]);
});

test('another page’s markup is nothing to a page that does not use it', () => {
	const other = new Map([...texts(''), ['b.html', '<p>y @font-face { x: y }']]);
	expect(asked(texts(''), other)).toMatchObject({ concerns: false, beyond: false });
});

test('what frames are given goes by the texts that were sent', () => {
	const [pages, sender] = [new Pages(), new TextSender()];
	const sheets = (sent: Parameters<Pages['page']>[1]) =>
		pages.content(pages.page('a.html', sent).model, '/', as).sheets.map(({ text }) => text);
	const [was, is] = sender.send(texts('b { color: red }'), texts('b { color: tan }', '<ul class=new></ul>'));
	expect(sheets(was)).toEqual(['b { color: red }', 'b { top: 0 }']);
	expect(sheets(is)[0]).toBe('b { color: tan }');
});

/** How a made page is laid out: `ul` is wider than the window under a width that its sheet names, and grows with it. */
const limitOf = ({ sheets }: PageContent): number =>
	Number(/limit: (\d+)/.exec(sheets[0]?.text ?? '')?.[1] ?? 0);
function laidAt(content: PageContent, width: number): Measured {
	const inner = Math.max(limitOf(content), width) / 2;
	const drawn = [400, 0, 0, width, 900, true] as const;
	const elements = [drawn, drawn, drawn, [1, 0, 0, inner, 40, true], [3, 0, 0, inner, 20, true]] as const;
	const parents = [-1, 0, 0, 2, 3];
	const all = elements.map(([, ...rest], i) => [parents[i] ?? 0, ...rest] as const);
	const hit = Uint8Array.from(all, (_, i) => Number(i === 3));
	const values = { texts: all.map((_, i) => (i === 3 ? String(limitOf(content)) : '')), hit };
	return { width, snapshot: snapshot(all), values };
}

/** Measures on a made stage; `laid` has the widths that it laid out. */
function measuring(fails = false) {
	const laid: number[] = [];
	const each = async <T>(
		widths: readonly number[],
		make: (width: number) => T,
		report: (one: T) => unknown
	) => {
		for (const width of widths) {
			laid.push(width);
			await report(make(width));
		}
	};
	const host = {
		read: (content: PageContent, _: Viewport, widths: readonly number[], report: (read: Read) => unknown) =>
			each(
				widths,
				(width) => ({
					width,
					readings: content.followed
						? new Map([['box:width', `${Math.max(limitOf(content), width) / 2}px`]])
						: new Map([['sideways 1.0', limitOf(content) - width]])
				}),
				report
			),
		measure: (
			content: PageContent,
			_: Viewport,
			widths: readonly number[],
			report: (of: Measured) => unknown
		) => each(widths, (width) => laidAt(content, width), report)
	};
	const of = new Measuring();
	const ports: MessagePort[] = [];
	const open = (): Promise<MessagePort> => {
		if (fails) return Promise.reject(new Error('No stage answers.'));
		const { port1, port2 } = new MessageChannel();
		ports.push(port1, port2);
		expose(host, port1);
		return Promise.resolve(port2);
	};
	const hearers = new Map<number, (one: never) => void>();
	const window: MeasuringWindow = {
		open: async () => transfer(await open(), [ports.at(-1) as MessagePort]),
		close: () => undefined,
		report: (id, one) => hearers.get(id)?.(one as never)
	};
	const { port1, port2 } = new MessageChannel();
	ports.push(port1, port2);
	expose(window, port1);
	of.begin({ site: 7, prefix: '/', stages: 1, version: '1' }, port2);
	const hear = <T>(id: number, report: (one: T) => void): number => {
		hearers.set(id, report);
		return id;
	};
	const sender = new TextSender();
	const page = (css: string) => ({ path: 'a.html', texts: sender.send(texts(css))[0], as });
	opened.push(() => ports.forEach((port) => port.close()));
	return { of, laid, page, sender, hear };
}
const opened: (() => void)[] = [];
afterEach(() => {
	for (const close of opened.splice(0)) close();
	vi.unstubAllGlobals();
});

const stretch = { from: 240, to: 900 };
const how = { stretch, settings: [], isPaused: false };
const foundBy = ({ found }: SweepReport): string[] =>
	found.map(({ key, widths, exact }) => `${key} ${printIntervalSet(widths)}${exact ? '' : ' …'}`);

test('a sweep has every end exact from few widths, then measures all; of an edit only what that can reach', async () => {
	const { of, laid, page, hear } = measuring();
	const reports: SweepReport[] = [];
	await of.sweep(
		hear(1, (one: SweepReport) => reports.push(structuredClone(one))),
		page('/* limit: 501 */'),
		how
	);
	const exact = reports.find(({ phase }) => phase === 'whole');
	expect(foundBy(exact as SweepReport)).toEqual(['sideways 1.0 240–500']);
	expect(exact?.measured).toBeLessThan(70);
	expect(reports.at(-1)).toMatchObject({ phase: 'done', measured: 661, of: 661, unmeasured: [], left: 0 });
	expect(laid).toHaveLength(new Set(laid).size);
	laid.length = 0;
	await of.sweep(2, page('/* limit: 501 */ @media (width >= 800px) { b { top: 1px } }'), how);
	expect([Math.min(...laid), Math.max(...laid)]).toEqual([800, 900]);
});

test('what a sweep has found is told anew by other settings, and a paused one ends when every end is exact', async () => {
	const { of, page, hear } = measuring();
	const reports: SweepReport[] = [];
	await of.sweep(
		hear(1, (one: SweepReport) => reports.push(one)),
		page('/* limit: 501 */'),
		{ ...how, isPaused: true }
	);
	expect(reports.at(-1)).toMatchObject({ phase: 'whole' });
	expect(reports.at(-1)?.measured).toBeLessThan(70);
	await of.setKinds([{ kind: 'sideways', on: false, limit: null }]);
	expect(reports.at(-1)?.found).toEqual([]);
});

test('a sweep that is stopped ends without a word more; one whose stages fail says why', async () => {
	const { of, page, hear } = measuring();
	let reports = 0;
	hear(1, () => {
		if (++reports === 2) of.stop(1);
		expect(reports).toBeLessThan(3);
	});
	await of.sweep(1, page('/* limit: 501 */'), how);
	expect(reports).toBe(2);
	const failing = measuring(true);
	await expect(failing.of.sweep(1, failing.page(''), how)).rejects.toThrow('No stage answers.');
});

test('what is asked of a page with another text of a file, as blame tries it, is of that page', async () => {
	const { of, page, hear } = measuring();
	const found: (readonly [number, unknown])[] = [];
	hear(1, ({ width, readings }: Read) => found.push([width, readings.get('sideways 1.0')]));
	const asked = { about: {}, widths: [300, 480], priority: 1 };
	await of.read(1, page('/* limit: 501 */'), asked);
	await of.read(1, page('/* limit: 310 */'), asked);
	expect(found).toEqual([
		[300, 201],
		[480, 21],
		[300, 10],
		[480, -170]
	]);
});

test('a value is followed to its pieces, and what is known of a page is told at once when it is followed again', async () => {
	const { of, laid, page, hear } = measuring();
	const reports: FollowReport[] = [];
	const request = { path: [1, 0], property: 'box:width', stretch };
	await of.follow(
		hear(1, (one: FollowReport) => reports.push(structuredClone(one))),
		page('/* limit: 501 */'),
		request
	);
	const last = reports.at(-1);
	expect(last?.changes.map(({ kind, at }) => [kind, Math.round(at)])).toEqual([['knee', 501]]);
	expect(last).toMatchObject({ phase: 'done', coverage: { measured: 661 } });
	expect(reports.flatMap(({ values }) => values)).toHaveLength(661);
	laid.length = 0;
	const again: FollowReport[] = [];
	await of.follow(
		hear(2, (one: FollowReport) => again.push(one)),
		page('/* limit: 501 */'),
		request
	);
	expect([laid.length, again[0]?.values.length]).toEqual([0, 661]);
});

test('an edit is compared as far as it is asked for: what changed of itself, what follows, and what they are called', async () => {
	const { of, sender } = measuring();
	const [before, after] = sender.send(texts('/* limit: 501 */'), texts('/* limit: 601 */ ul { top: 1px }'));
	const edited = { path: 'a.html', pathBefore: 'a.html', before, after, files: ['a.css'], as };
	const edit = of.edit(edited);
	of.compare(1, edited, {
		edit,
		values: { longhands: ['top'], selectors: ['ul'] },
		stretch,
		depth: 'exact',
		settings: []
	});
	let last = await of.next(1);
	for (let next = last; next; next = await of.next(1)) last = next;
	expect(last?.exact).toBe(true);
	expect(last?.outermost).toEqual([{ path: '1.0', inside: 0, name: 'ul' }]);
	expect(last?.findings).toEqual([]);
	const [own, follows] = last?.changed ?? [];
	expect([own?.path, printIntervalSet(own?.own ?? NOTHING)]).toEqual(['1.0', '240–900']);
	expect([follows?.path, printIntervalSet(follows?.moved ?? NOTHING)]).toEqual(['1.0.0', '240–600']);
	of.compare(2, edited, {
		edit,
		values: { longhands: [], selectors: [] },
		stretch,
		depth: 'every px',
		settings: []
	});
	of.stop(2);
	expect(await of.next(2)).toBeNull();
});

test('what is held is measured and kept by the server; what changed of it is told, and asked for again where it did not come', async () => {
	const kept: string[] = [];
	const fetched = vi.fn((_: string, init?: RequestInit) => {
		if (init?.body) kept.push(String(init.body));
		return Promise.resolve(init?.body ? Response.json({ hash: 'h' }) : new Response(kept[0]));
	});
	vi.stubGlobal('fetch', fetched);
	const { of, page } = measuring();
	const widths = above({ at: rationalFromNumber(400), after: false });
	expect(await of.hold(1, page('/* limit: 501 */'), widths, stretch)).toBe('h');
	const hold = {
		page: 'a.html',
		scope: 'all',
		element: '',
		allowed: [],
		widths: { startsInside: true, cuts: [] },
		measurement: 'h'
	};
	expect(await of.changed(2, page('/* limit: 501 */'), hold as unknown as Hold)).toEqual([]);
	const other = measuring();
	fetched.mockRejectedValueOnce(new TypeError('offline'));
	const check = (id: number) => other.of.changed(id, other.page('/* limit: 601 */'), hold as unknown as Hold);
	await expect(check(1)).rejects.toThrow('The server cannot be reached.');
	expect((await check(2)).map(({ path, by }) => [path, by])).toEqual([
		['1.0', 50],
		['1.0.0', 50]
	]);
	expect(fetched.mock.calls.map(([path]) => path).at(-1)).toBe('/api/sites/7/measurements/h');
	const report = await other.of.holdReport(
		other.page('/* limit: 601 */'),
		hold as unknown as Hold,
		[],
		'now'
	);
	expect(report.measured.map(({ width, elements }) => [width, elements])[0]).toEqual([400, 5]);
});

test('texts come out as they were put in, however they change', () => {
	const text = fc.string({ unit: fc.constantFrom('a', 'b', '\n', '😀'), maxLength: 12 });
	const some = fc.dictionary(fc.constantFrom('a', 'b', 'c'), text).map((all) => new Map(Object.entries(all)));
	fc.assert(
		fc.property(fc.array(fc.tuple(some, some), { maxLength: 120 }), (pairs) => {
			const [sender, keeper] = [new TextSender(), new TextKeeper()];
			for (const pair of pairs)
				expect(sender.send(...pair).map((one) => keeper.take(structuredClone(one)))).toEqual(pair);
		}),
		{ numRuns: 60 }
	);
});

test('a text that changes is sent as its change, and one that is long out of use is forgotten on both sides', () => {
	const [sender, keeper] = [new TextSender(), new TextKeeper()];
	let last = '';
	let sent = 0;
	for (let i = 0; i < 300; i++) {
		const next = `${last}line ${i}\n`;
		for (const one of sender.send(new Map([['a', last]]), new Map([['a', next]]))) {
			keeper.take(one);
			sent += one.made.reduce((sum, { change }) => sum + change.text.length, 0);
		}
		last = next;
	}
	expect(sent).toBe(last.length);
	expect(keeper.size).toBeLessThan(80);
});
