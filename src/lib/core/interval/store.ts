import * as z from 'zod/mini';
import { rational } from './rational.ts';
import type { IntervalSet } from './set.ts';

/** A set of widths as stored and sent: each cut as an exact fraction in CSS px. */
export const storedWidths = z.object({
	startsInside: z.boolean(),
	cuts: z
		.array(z.object({ at: z.string().check(z.regex(/^\d{1,30}\/[1-9]\d{0,30}$/)), after: z.boolean() }))
		.check(z.maxLength(10_000))
});
export type StoredWidths = z.infer<typeof storedWidths>;

export const storeWidths = ({ startsInside, cuts }: IntervalSet): StoredWidths => ({
	startsInside,
	cuts: cuts.map(({ at, after }) => ({ at: `${at.n}/${at.d}`, after }))
});

export const widthsFrom = ({ startsInside, cuts }: StoredWidths): IntervalSet => ({
	startsInside,
	cuts: cuts.map(({ at, after }) => {
		const [n = '0', d = '1'] = at.split('/');
		return { at: rational(BigInt(n), BigInt(d)), after };
	})
});
