import * as z from 'zod/mini';
import { storedWidths } from '../interval/store.ts';
import { usualGap, type Bands } from '../media/index.ts';
import { findingOf } from './index.ts';
import { neither } from './neither.ts';

const text = (most: number) => z.string().check(z.maxLength(most));

/** How a site wants a kind of finding: whether at all, and from which limit on (in the kind's unit; null for its own). */
export const kindSettingSchema = z.object({
	kind: text(40),
	on: z.boolean(),
	limit: z.nullable(z.number().check(z.minimum(0), z.maximum(10_000)))
});
export type KindSetting = z.infer<typeof kindSettingSchema>;

/** A finding that is as it is meant to be, at some widths of a page, and why. */
export const acceptedSchema = z.object({
	page: text(1000),
	/** What it is known by (`findingKey`), and what its elements are called: where those are others, it is another finding. */
	key: text(2000),
	names: z.array(text(500)).check(z.maxLength(2)),
	widths: storedWidths,
	reason: z.string().check(z.trim(), z.minLength(1), z.maxLength(1000))
});
export type Accepted = z.infer<typeof acceptedSchema>;

/** How far a distance of a key is to be moved by what a site sets: what is over 0 then is there. Undefined for kinds that are off. */
export function shiftOf(key: string, settings: readonly KindSetting[]): number | undefined {
	const { limit, name = key.split(' ')[0] } = findingOf(key)?.kind ?? {};
	const own = settings.find(({ kind }) => kind === name);
	if (own && !own.on) return undefined;
	if (!limit || own?.limit === null || own?.limit === undefined) return 0;
	return limit.below ? own.limit - limit.value : limit.value - own.limit;
}

/** How much something is, in its kind's unit, by how far it is beyond the kind's own limit. */
export function amountOf(key: string, beyond: number): number {
	const { limit } = findingOf(key)?.kind ?? {};
	if (!limit) return beyond;
	return limit.below ? limit.value - beyond : limit.value + beyond;
}

/** How far apart the halves of breakpoints may be, CSS px: as a site sets it, else as is usual on a page. */
export const meantGap = (settings: readonly KindSetting[], bands: Bands): number =>
	settings.find(({ kind }) => kind === neither.name)?.limit ?? usualGap(bands);
