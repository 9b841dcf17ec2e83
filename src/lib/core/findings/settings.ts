import * as z from 'zod';
import { storedWidths } from '../interval/store.ts';
import { findingOf } from './index.ts';

/** How a site wants a kind of finding: whether at all, and from which limit on (in the kind's unit; null for its own). */
export const kindSettingSchema = z.object({
	kind: z.string().max(40),
	on: z.boolean(),
	limit: z.number().min(0).max(10_000).nullable()
});
export type KindSetting = z.infer<typeof kindSettingSchema>;

/** A finding that is as it is meant to be, at some widths of a page, and why. */
export const acceptedSchema = z.object({
	page: z.string().max(1000),
	/** What it is known by (`findingKey`), and what its elements are called: where those are others, it is another finding. */
	key: z.string().max(2000),
	names: z.array(z.string().max(500)).max(2),
	widths: storedWidths,
	reason: z.string().trim().min(1).max(1000)
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
