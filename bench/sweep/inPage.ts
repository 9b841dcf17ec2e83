import { cascadeOf } from '../../src/lib/core/cascade/index.ts';
import { parsePage } from '../../src/lib/core/html/index.ts';
import {
	contains,
	intervals,
	rationalFromNumber,
	toNumber,
	type Cut
} from '../../src/lib/core/interval/index.ts';
import { bandsOf, solverOf } from '../../src/lib/core/media/index.ts';
import { conditionsOfPage, sheetsOfPage, sourcesOf } from '../../src/lib/core/site/index.ts';
import {
	firstWidths,
	foundIn,
	nextWidths,
	remainingWidths,
	type Found,
	type Readings
} from '../../src/lib/core/sweep/index.ts';
import { PLAIN } from '../../src/lib/core/vantage/index.ts';
import { reachOf, touchedBy } from '../../src/lib/core/wake/index.ts';
import { measuringQueue } from '../../src/lib/workers/queue.ts';
import { openStage } from '../../src/lib/stage/client/stage.ts';
import type { PageContent } from '../../src/lib/stage/protocol.ts';

type Stretch = typeof STRETCH;
export const STRETCH = { from: 240, to: 2560 };
export const GRID = 64;

/** A page's texts, by path, with the path of the page. */
export interface Given {
	readonly site: number;
	readonly path: string;
	readonly texts: Readonly<Record<string, string>>;
	/** The widths to be swept, CSS px; all where omitted. */
	readonly stretch?: Stretch | undefined;
}

const pageOf = ({ path, texts }: Given) => {
	const sources = sourcesOf((file) => texts[file]);
	const page = parsePage(texts[path] ?? '');
	const { media } = conditionsOfPage(page, path, sources);
	const { thresholds } = bandsOf(media, solverOf(PLAIN));
	return { sources, page, cuts: thresholds.map(({ cut }) => cut) };
};

const APART = 'stage-{n}-s{site}.localhost';
/** Hosts that no browser resolves: stages are then opened at the application's own origin. */
const OWN = 'stage-{n}-s{site}.invalid';

async function queueOf(given: Given, stages: number, pattern = APART) {
	const opened = await Promise.all(
		Array.from({ length: stages }, async (_, i) => {
			const stage = await openStage(document.body, given.site, i + 1, { pattern });
			stage.iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%;visibility:hidden';
			return stage;
		})
	);
	const queue = measuringQueue((n) => Promise.resolve(opened[n - 1] as (typeof opened)[number]), stages);
	const { page } = pageOf(given);
	const content: PageContent = {
		address: `${opened[0]?.prefix ?? ''}${given.path}`,
		html: page.source,
		sheets: sheetsOfPage(page, given.path).flatMap(({ element, from }) =>
			from.kind === 'file' ? [{ element, text: given.texts[from.path] ?? '' }] : []
		),
		rules: '',
		films: 'play',
		rightToLeft: false,
		staged: [],
		taps: false
	};
	const viewport = { width: 1280, height: 800, density: 1 };
	const read = async (widths: readonly number[], into: Map<number, Readings>): Promise<void> => {
		for await (const { width, readings } of queue.read({ content, viewport, widths }))
			into.set(width, readings);
	};
	await read([333], new Map());
	return { read, close: () => queue.close() };
}

type Reader = (widths: readonly number[], into: Map<number, Readings>) => Promise<void>;

/** A quick sweep; returns the number of widths that it began with. */
async function quickly(
	read: Reader,
	cuts: readonly Cut[],
	known: Map<number, Readings>,
	stretch = STRETCH
): Promise<number> {
	const first = firstWidths(stretch, cuts, GRID).filter((width) => !known.has(width));
	for (let next = [...first, ...nextWidths(known)]; next.length > 0; next = nextWidths(known))
		await read(next, known);
	return first.length;
}

const longerThanGrid = ({ widths, turns }: Found): boolean =>
	turns.length > 0 ||
	intervals(widths).some(({ lo, hi }) => (hi ? toNumber(hi) : Infinity) - toNumber(lo) > GRID);

const said = ({ key, widths, turns }: Found): string =>
	`${key} ${JSON.stringify(turns.map(({ before }) => before))} ${JSON.stringify(
		intervals(widths)
			.map(({ lo, hi }) => [toNumber(lo), hi ? toNumber(hi) : Infinity])
			.filter(([from = 0, to = 0]) => turns.length > 0 || to - from > GRID)
	)}`;

/** A quick sweep compared with every width, on the same stages. */
export async function sweep(given: Given) {
	const { cuts } = pageOf(given);
	const { stretch = STRETCH } = given;
	const { read, close } = await queueOf(given, 1);
	const known = new Map<number, Readings>();
	const begun = performance.now();
	const first = await quickly(read, cuts, known, stretch);
	const quick = performance.now() - begun;
	const measured = known.size;
	const all = new Map<number, Readings>();
	const again = performance.now();
	await read(remainingWidths(all, stretch, 10_000), all);
	const whole = performance.now() - again;
	// Bands narrower than a px are measured by both.
	for (const [width, readings] of known) if (!Number.isInteger(width)) all.set(width, readings);
	close();
	const [found, true_] = [foundIn(known, cuts), foundIn(all, cuts)];
	const have = new Set(found.map(said));
	const lasting = true_.filter(longerThanGrid);
	const beside = new Set(
		true_.flatMap(({ widths }) =>
			widths.cuts.flatMap(({ at, after }) => {
				const px = Math.floor(toNumber(at)) - (after ? 0 : 1);
				return [px, px + 1];
			})
		)
	);
	return {
		quick,
		whole,
		first,
		measured,
		beside: beside.size,
		found: true_.length,
		lasting: lasting.length,
		missed: lasting.filter((one) => !have.has(said(one))).map(said)
	};
}

/** The time for some widths on so many stages, ms. */
export async function timed(given: Given, stages: number, widths: readonly number[]): Promise<number> {
	const { read, close } = await queueOf(given, stages);
	// Every stage has the page before it counts.
	await read(widths.slice(0, 8 * stages), new Map());
	const begun = performance.now();
	await read(widths, new Map());
	const time = performance.now() - begun;
	close();
	return time;
}

/** The time of a quick sweep on so many stages, ms. */
export async function quickOn(given: Given, stages: number): Promise<number> {
	const { read, close } = await queueOf(given, stages);
	await read(
		Array.from({ length: 8 * stages }, (_, i) => 301 + i),
		new Map()
	);
	const begun = performance.now();
	await quickly(read, pageOf(given).cuts, new Map());
	const time = performance.now() - begun;
	close();
	return time;
}

/**
 * The longest time that the application's main thread is blocked while some widths are read, on a stage and at its
 * own origin, ms.
 */
export async function held(given: Given, widths: readonly number[]): Promise<{ apart: number; own: number }> {
	const longest = async (pattern: string): Promise<number> => {
		const { read, close } = await queueOf(given, 1, pattern);
		const { port1, port2 } = new MessageChannel();
		let [last, most] = [performance.now(), 0];
		port1.onmessage = () => {
			const now = performance.now();
			most = Math.max(most, now - last);
			last = now;
			port2.postMessage(0);
		};
		port2.postMessage(0);
		await read(widths, new Map());
		port1.close();
		close();
		return most;
	};
	return { apart: await longest(APART), own: await longest(OWN) };
}

/** How many widths a quick sweep measures at first, and after an edit of the page's sheets. */
export async function edited(before: Given, after: Given): Promise<{ first: number; then: number }> {
	const [was, is] = [pageOf(before), pageOf(after)];
	const known = new Map<number, Readings>();
	const one = await queueOf(before, 1);
	await quickly(one.read, was.cuts, known);
	one.close();
	const reach = reachOf(
		touchedBy(cascadeOf(was.page, before.path, was.sources), cascadeOf(is.page, after.path, is.sources)),
		solverOf(PLAIN)
	);
	const next = new Map([...known].filter(([width]) => !contains(reach, rationalFromNumber(width))));
	const kept = next.size;
	const two = await queueOf(after, 1);
	await quickly(two.read, is.cuts, next);
	two.close();
	return { first: known.size, then: next.size - kept };
}
