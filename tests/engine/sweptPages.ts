import type { Page } from '@playwright/test';
import { madePage } from './sweepPages.ts';

/** How a quick and a complete sweep of a generated page compare. */
export interface Compared {
	readonly seed: number;
	readonly findings: number;
	/** How many widths the quick one measured, and there are. */
	readonly quick: number;
	readonly whole: number;
	/** Findings whose whole px differ between the two. */
	readonly different: number;
	/** Those of them at a width that the quick one has measured, or says it has: there must be none. */
	readonly untold: readonly string[];
}

/** In the browser: sweeps a made page quickly, then at every px, on the stage that is open there. */
async function sweepBoth({
	site,
	seed,
	html,
	css,
	cuts: at
}: {
	site: number;
	seed: number;
	html: string;
	css: string;
	cuts: readonly number[];
}): Promise<Compared> {
	const client = globalThis.stageClient;
	globalThis.fuzzQueue ??= client.measuringQueue(async (n) => {
		const stage = await client.openStage(document.body, site, n, { pattern: 'stage-{n}-s{site}.localhost' });
		stage.iframe.style.cssText = 'position:fixed;inset:0;width:100%;height:100%;visibility:hidden';
		return stage;
	}, 2);
	const queue = globalThis.fuzzQueue;
	const content = client.contentOf(html, css);
	const viewport = { width: 800, height: 700, density: 1 };
	const stretch = { from: 300, to: 640 };
	const cuts = at.map((px) => ({
		at: client.rationalFromNumber(px),
		after: css.includes(`max-width: ${px}px`)
	}));
	type Readings = ReadonlyMap<string, number | string>;
	const measured = async (into: Map<number, Readings>, widths: readonly number[]): Promise<void> => {
		for await (const { width, readings } of queue.read({ content, viewport, widths }))
			into.set(width, readings);
	};
	const known = new Map<number, Readings>();
	for (let next = client.firstWidths(stretch, cuts, 32); next.length > 0; next = client.nextWidths(known))
		await measured(known, next);
	const quick = client.foundIn(known, cuts);
	const looked = [...known.keys()];
	const hidden = client.unmeasured(known, stretch);
	const all = new Map(known);
	await measured(all, client.remainingWidths(known, stretch, 5000));
	const whole = client.foundIn(all, cuts);
	const untold: string[] = [];
	// What was read at a width is read there again, whatever was laid out in between.
	const again = new Map<number, Readings>();
	await measured(
		again,
		looked.filter((_, i) => i % 5 === 0)
	);
	for (const [width, readings] of again)
		if (JSON.stringify([...readings].sort()) !== JSON.stringify([...(known.get(width) ?? [])].sort()))
			untold.push(`${width} is read otherwise when it is measured again`);
	let different = 0;
	for (const key of new Set([...quick, ...whole].map((one) => one.key))) {
		const [one, other] = [quick, whole].map((found) => found.find((of) => of.key === key));
		const isState = [one, other].some((of) => (of?.turns.length ?? 0) > 0);
		const wrong: number[] = [];
		for (let width = stretch.from; width <= stretch.to; width++) {
			const [a, b] = [one, other].map(
				(of) => of !== undefined && client.contains(of.widths, client.rationalFromNumber(width))
			);
			if (a !== b) wrong.push(width);
		}
		if (wrong.length > 0) different++;
		// A change between two px is reported for both, of which the outer one may be measured.
		const near = isState ? 1 : 0;
		const told = (width: number): boolean =>
			hidden.some(({ from, to }) => from - near <= width && width <= to + near);
		for (const width of wrong) if (!told(width)) untold.push(`${key} at ${width}`);
	}
	return { seed, findings: whole.length, quick: looked.length, whole: all.size, different, untold };
}

declare global {
	var fuzzQueue: ReturnType<typeof globalThis.stageClient.measuringQueue> | undefined;
}

/** Compares sweeps of generated pages; the page has the stage's client (`clientBundle`). */
export async function compareSweeps(page: Page, site: number, seeds: readonly number[]): Promise<Compared[]> {
	const found: Compared[] = [];
	for (const seed of seeds) found.push(await page.evaluate(sweepBoth, { site, seed, ...madePage(seed) }));
	return found;
}
