import type { ElementPath } from '../core/html/index.ts';
import { contains, fromInterval, rationalFromNumber, toNumber } from '../core/interval/index.ts';
import type { Bands } from '../core/media/index.ts';
import type { SeenVantage } from '../core/vantage/index.ts';
import type { InquiredPage } from './page.ts';
import type { Layout } from './layout.ts';

/** For an element and each of its ancestors, which container conditions hold. */
type ContainerAnswers = readonly (readonly boolean[])[];

/** The results of container queries, by width. */
export interface Flips {
	/** Which conditions hold at a width. */
	at(width: number): ContainerAnswers;
	/** Whole px inside of bands from which the results differ from those one px below. */
	readonly cuts: readonly number[];
	/** The px between measured widths; what changes twice between two of them is missed. 1 is exact. */
	readonly step: number;
	/** What was measured. */
	readonly known: ReadonlyMap<number, ContainerAnswers>;
}

/** The range of widths that is measured, the first grid for changes, px, and how much finer each next one is. */
const [FROM, TO, STEP, FINER] = [240, 2560, 64, 4];

/**
 * Where container queries change for an element and its ancestors. At first measured at the edges of every band and
 * on a grid, then by bisection to the pixel wherever neighbours differ; given an earlier result in `before`, on a
 * finer grid, and finally at every whole width.
 */
export async function flipsOf(
	page: InquiredPage,
	layout: Layout,
	path: ElementPath,
	vantage: SeenVantage,
	{ bands }: Bands,
	conditions: readonly string[],
	before?: Flips,
	signal?: AbortSignal
): Promise<Flips> {
	const about = { elementQuery: { path, conditions } };
	const known = new Map(before?.known);
	const step = before ? Math.max(1, before.step / FINER) : STEP;
	async function look(widths: readonly number[]): Promise<void> {
		const unknown = widths.filter((width) => !known.has(width));
		const job = {
			page,
			as: vantage,
			about,
			widths: unknown,
			priority: before ? 0 : 1,
			...(signal && { signal })
		};
		for await (const { width, held } of layout.askAt(job)) known.set(width, held ?? []);
	}
	const stretches = bands.flatMap(({ interval }) => {
		const set = fromInterval(interval);
		const [lo, hi] = [toNumber(interval.lo), interval.hi === null ? TO : toNumber(interval.hi)];
		const widths: number[] = [];
		for (let width = Math.max(FROM, Math.floor(lo)); width <= Math.min(TO, Math.ceil(hi)); width++) {
			if (contains(set, rationalFromNumber(width))) widths.push(width);
		}
		const [first, last] = [widths[0], widths.at(-1)];
		if (first === undefined || last === undefined) return [];
		return [[...new Set([...widths.filter((_, i) => i % step === 0), last])]];
	});
	await look(stretches.flat());
	const same = (a: number, b: number): boolean =>
		JSON.stringify(known.get(a)) === JSON.stringify(known.get(b));
	const cuts: number[] = [];
	let gaps = stretches.flatMap((widths) =>
		widths.slice(1).map((width, i) => [widths[i] ?? width, width] as const)
	);
	for (;;) {
		gaps = gaps.filter(([a, b]) => !same(a, b));
		for (const [a, b] of gaps) if (b - a === 1) cuts.push(b);
		const open = gaps.filter(([a, b]) => b - a > 1);
		if (open.length === 0) break;
		const middle = ([a, b]: readonly [number, number]): number => Math.floor((a + b) / 2);
		await look(open.map(middle));
		gaps = open.flatMap((gap) => [[gap[0], middle(gap)] as const, [middle(gap), gap[1]] as const]);
	}
	cuts.sort((a, b) => a - b);
	const measured = [...known.keys()].sort((a, b) => a - b);
	return {
		cuts,
		step,
		known,
		at(width) {
			// Nothing changes between adjacent measured widths of a piece, so any of them will do.
			const band = bands.find(({ interval }) => contains(fromInterval(interval), rationalFromNumber(width)));
			const set = band && fromInterval(band.interval);
			const piece = (one: number): number => cuts.filter((cut) => cut <= one).length;
			const like = measured.find(
				(one) => piece(one) === piece(width) && (!set || contains(set, rationalFromNumber(one)))
			);
			return known.get(like ?? measured.findLast((one) => one <= width) ?? measured[0] ?? 0) ?? [];
		}
	};
}
