import { elementsOf, nearMisses, type NearMiss, type Names } from '../core/selector/index.ts';

/** How many elements each of some selectors matches; null for an invalid selector. */
export type HitCounts = readonly (number | null)[];

/** Counts what selectors match, on the page in the frames and on all others. */
export interface Hitting {
	/** On the page in the frames; empty where there are no frames. */
	hits(selectors: readonly string[]): Promise<HitCounts>;
	/** On the other pages that use a file, by page. */
	otherHits(file: string, selectors: readonly string[]): Promise<ReadonlyMap<string, HitCounts>>;
	/** Whether the page in the frames uses a file: rules of any other file match nothing on it. */
	isOnPage(file: string): boolean;
	/** The classes and ids of the elements of all pages that use a file. */
	names(file: string): Names;
}

/** What a selector of a file matches. */
export interface FileHits {
	/** On the page in the frames, 0 where it does not use the file; null for what browsers cannot parse. */
	readonly here: number | null;
	readonly isOnPage: boolean;
	/** Other pages that use the file, with the number of matches there, including 0. */
	readonly elsewhere: readonly (readonly [page: string, count: number])[];
	/** Where it matches nothing here although the page uses the file: similar selectors that match something. */
	readonly near: readonly (NearMiss & { readonly count: number })[];
}

/** At most so many similar selectors are named. */
const TOLD = 4;

async function near(by: Hitting, selector: string, file: string): Promise<FileHits['near']> {
	const misses = nearMisses(selector, by.names(file));
	const hits = await by.hits(misses.map((one) => one.selector));
	return misses.flatMap((one, i) => (hits[i] ? [{ ...one, count: hits[i] }] : [])).slice(0, TOLD);
}

/**
 * What a selector of a file can match, whatever the state, on the page in the frames and on every other that uses the
 * file; null without frames.
 */
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
