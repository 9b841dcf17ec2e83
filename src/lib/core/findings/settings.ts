import * as z from 'zod/mini';
import { storedWidths } from '../interval/store.ts';
import { usualGap, type Bands } from '../media/index.ts';
import { findingOf } from './index.ts';
import { neither } from './neither.ts';

const text = (most: number) => z.string().check(z.maxLength(most));

/**
 * A site's settings for a kind of finding: whether to look for it, and its limit (in the kind's unit; null for the
 * default).
 */
export const kindSettingSchema = z.object({
	kind: text(40),
	on: z.boolean(),
	limit: z.nullable(z.number().check(z.minimum(0), z.maximum(10_000)))
});
export type KindSetting = z.infer<typeof kindSettingSchema>;

/** A finding that is intended, at some widths of a page, and why. */
export const acceptedSchema = z.object({
	page: text(1000),
	/** What identifies it (`findingKey`), and the names of its elements: with other names it is another finding. */
	key: text(2000),
	names: z.array(text(500)).check(z.maxLength(2)),
	widths: storedWidths,
	reason: z.string().check(z.trim(), z.minLength(1), z.maxLength(1000))
});
export type Accepted = z.infer<typeof acceptedSchema>;

/**
 * How far a site's settings move the distances of a key: those above 0 afterwards are findings. Undefined for kinds
 * that are off.
 */
export function shiftOf(key: string, settings: readonly KindSetting[]): number | undefined {
	const { limit, name = key.split(' ')[0] } = findingOf(key)?.kind ?? {};
	const own = settings.find(({ kind }) => kind === name);
	if (own && !own.on) return undefined;
	if (!limit || own?.limit === null || own?.limit === undefined) return 0;
	return limit.below ? own.limit - limit.value : limit.value - own.limit;
}

/** The value in the kind's unit, given how far it is beyond the kind's default limit. */
export function amountOf(key: string, beyond: number): number {
	const { limit } = findingOf(key)?.kind ?? {};
	if (!limit) return beyond;
	return limit.below ? limit.value - beyond : limit.value + beyond;
}

/** How far apart the halves of breakpoints may be, CSS px: as a site sets it, or else as is usual on the page. */
export const meantGap = (settings: readonly KindSetting[], bands: Bands): number =>
	settings.find(({ kind }) => kind === neither.name)?.limit ?? usualGap(bands);
