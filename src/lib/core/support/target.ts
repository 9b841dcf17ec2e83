import * as z from 'zod/mini';

/** For how many years every engine must have supported what a site uses; 0 for what engines support today. */
export const supportTargetSchema = z.strictObject({ years: z.number().check(z.minimum(0), z.maximum(15)) });

export type SupportTarget = z.infer<typeof supportTargetSchema>;

/** The date, ISO 8601, so many years before a day. */
export function limitOf({ years }: SupportTarget, today: Date): string {
	const date = new Date(today);
	date.setUTCMonth(date.getUTCMonth() - Math.round(years * 12));
	return date.toISOString().slice(0, 10);
}
