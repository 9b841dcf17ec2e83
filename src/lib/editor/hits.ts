import { elementsOf, nearMisses, type NearMiss, type Names } from '../core/selector/index.ts';

type Counts = readonly (number | null)[];

/** How many elements selectors hit on the page in the frames, null for what is no selector; the Bench puts it here. */
export const selectorHits: { of: (selectors: readonly string[]) => Promise<Counts> } = {
	of: () => Promise.resolve([])
};

/** How many elements of pages, each given by its text, selectors hit; the Bench puts it here. */
export const textHits: {
	of: (texts: readonly string[], selectors: readonly string[]) => Promise<readonly Counts[]>;
} = { of: () => Promise.resolve([]) };

/** What is known of all pages that have a file; the Bench puts it here. */
export const filePages: {
	/** How many elements selectors hit on the other pages than the one in the frames, by page. */
	hits: (file: string, selectors: readonly string[]) => Promise<ReadonlyMap<string, Counts>>;
	/** The classes and ids of their elements. */
	names: (file: string) => Names;
} = { hits: () => Promise.resolve(new Map()), names: () => ({ classes: [], ids: [] }) };

/** Outlines in all frames what a selector hits, '' for nothing; the Bench puts it here. */
export const outlining: { show: (selector: string) => void } = { show: () => undefined };

/** What a selector of a file hits. */
export interface FileHits {
	/** On the page in the frames; null for what no browser reads. */
	readonly here: number | null;
	/** Other pages that have the file, with what it hits there; those where that is nothing have 0. */
	readonly elsewhere: readonly (readonly [page: string, count: number])[];
	/** Where it hits nothing here: what nearly is it and hits something. */
	readonly near: readonly (NearMiss & { readonly count: number })[];
}

/** Near misses that are told. */
const TOLD = 4;

async function near(selector: string, file: string): Promise<FileHits['near']> {
	const misses = nearMisses(selector, filePages.names(file));
	const hits = await selectorHits.of(misses.map((one) => one.selector));
	return misses.flatMap((one, i) => (hits[i] ? [{ ...one, count: hits[i] }] : [])).slice(0, TOLD);
}

/** What a selector of a file hits at one time or another, on the page in the frames and on every other that has it; null without frames. */
export async function hitsOf(selector: string, file: string): Promise<FileHits | null> {
	const [[here], elsewhere] = await Promise.all([
		selectorHits.of([elementsOf(selector)]),
		filePages.hits(file, [elementsOf(selector)])
	]);
	if (here === undefined) return null;
	return {
		here,
		elsewhere: [...elsewhere].map(([page, [count]]) => [page, count ?? 0]),
		near: here === 0 ? await near(selector, file) : []
	};
}

/** Elements, counted in words. */
export const counted = (n: number): string => (n === 1 ? '1 element' : `${n} elements`);
