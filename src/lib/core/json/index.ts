import type * as z from 'zod/mini';

/** The value at a path of a value from outside; undefined where there is none. */
export const valueAt = (value: unknown, path: readonly PropertyKey[]): unknown =>
	path.reduce<unknown>((part, key) => (part as Record<PropertyKey, unknown> | undefined)?.[key], value);

const shown = (value: unknown): string => JSON.stringify(value) ?? 'nothing';

/** What is wrong with a value from outside, in words, for a sentence that names the place. */
export function misfit(issue: z.core.$ZodIssue, whole: unknown): string {
	const value = valueAt(whole, issue.path);
	switch (issue.code) {
		case 'too_small':
			return typeof value === 'number'
				? `${value} is less than ${String(issue.minimum)}`
				: `wants at least ${String(issue.minimum)}`;
		case 'too_big':
			return typeof value === 'number'
				? `${value} is more than ${String(issue.maximum)}`
				: `takes at most ${String(issue.maximum)}`;
		case 'invalid_type':
			return value === undefined
				? `a ${issue.expected} is missing`
				: `${shown(value)} is no ${issue.expected}`;
		case 'invalid_value':
			return `${shown(value)} is none of ${issue.values.map(String).join(', ')}`;
		case 'unrecognized_keys':
			return `knows no ${issue.keys.join(', ')}`;
		default:
			return issue.message;
	}
}
