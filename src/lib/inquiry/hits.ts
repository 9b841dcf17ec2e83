import { elementsOf, nearMisses, type NearMiss, type Names } from '../core/selector/index.ts';

/** How many elements each of some selectors matches; null for what is no selector. */
export type HitCounts = readonly (number | null)[];

/** Who counts what selectors match, on the page in the frames and on all others. */
export interface Hitting {
	/** On the page in the frames; nothing where there are no frames. */
	hits(selectors: readonly string[]): Promise<HitCounts>;
	/** On the other pages than the one in the frames that have a file, by page. */
	otherHits(file: string, selectors: readonly string[]): Promise<ReadonlyMap<string, HitCounts>>;
	/** Whether the page in the frames has a file: a rule of any other file matches nothing on it. */
	isOnPage(file: string): boolean;
	/** The classes and ids of the elements of all pages that have a file. */
	names(file: string): Names;
}

/** What a selector of a file hits. */
export interface FileHits {
	/** On the page in the frames, 0 where that has not the file; null for what no browser reads. */
	readonly here: number | null;
	readonly isOnPage: boolean;
	/** Other pages that have the file, with what it matches there; those where that is nothing have 0. */
	readonly elsewhere: readonly (readonly [page: string, count: number])[];
	/** Where it matches nothing here though the page has the file: similar selectors that match something. */
	readonly near: readonly (NearMiss & { readonly count: number })[];
}

/** Near misses that are told. */
const TOLD = 4;

async function near(by: Hitting, selector: string, file: string): Promise<FileHits['near']> {
	const misses = nearMisses(selector, by.names(file));
	const hits = await by.hits(misses.map((one) => one.selector));
	return misses.flatMap((one, i) => (hits[i] ? [{ ...one, count: hits[i] }] : [])).slice(0, TOLD);
}

/** What a selector of a file hits at one time or another, on the page in the frames and on every other that has it; null without frames. */
export async function hitsOf(by: Hitting, selector: string, file: string): Promise<FileHits | null> {
	const [[here], elsewhere] = await Promise.all([
		by.hits([elementsOf(selector)]),
		by.otherHits(file, [elementsOf(selector)])
	]);
	if (here === undefined) return null;
	const isOnPage = by.isOnPage(file);
	return {
		here: !isOnPage && here ? 0 : here,
		isOnPage,
		elsewhere: [...elsewhere].map(([page, [count]]) => [page, count ?? 0]),
		near: here === 0 && isOnPage ? await near(by, selector, file) : []
	};
}
