import * as z from 'zod/mini';
import { errandSchema, type Errand } from './errand.ts';

/** A change of the list of errands. */
export const errandChangeSchema = z.object({
	/** The index of the errand in the list. */
	at: z.int().check(z.nonnegative()),
	/** The errand before; null where it is added. */
	was: z.nullable(errandSchema),
	/** The errand afterwards; null where it is removed. */
	now: z.nullable(errandSchema)
});

export type ErrandChange = z.infer<typeof errandChangeSchema>;

/** The changes that undo others, in the order in which they are to be made. */
export const errandsBack = (changes: readonly ErrandChange[]): ErrandChange[] =>
	changes.map(({ at, was, now }) => ({ at, was: now, now: was })).toReversed();

/**
 * Whether two errands are the same, at the present paths of their pages; parsing puts their fields into one order.
 */
function isSame(a: Errand, b: Errand, pathNow: (page: string) => string): boolean {
	const written = (one: Errand): string =>
		JSON.stringify({ ...errandSchema.parse(one), page: pathNow(one.page) });
	return written(a) === written(b);
}

/**
 * A list of errands after changes, made one after the other; undefined where an errand to be removed or replaced is
 * not in it. `pathNow` returns the present path of a page that may have been renamed since.
 */
export function changedErrands(
	list: readonly Errand[],
	changes: readonly ErrandChange[],
	pathNow: (page: string) => string
): Errand[] | undefined {
	const errands = [...list];
	for (const { at, was, now } of changes) {
		const matches = (one: Errand | undefined): boolean =>
			one !== undefined && was !== null && isSame(one, was, pathNow);
		const found = matches(errands[at]) ? at : errands.findLastIndex(matches);
		if (was && found < 0) return undefined;
		const put = now ? [{ ...now, page: pathNow(now.page) }] : [];
		errands.splice(was ? found : Math.min(at, errands.length), was ? 1 : 0, ...put);
	}
	return errands;
}
