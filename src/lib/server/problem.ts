import { json } from '@sveltejs/kit';
import * as z from 'zod';

/** An error that a person can act on; its message is shown. */
export class Problem extends Error {
	constructor(
		readonly status: number,
		sentence: string,
		/** Further members of the reply (RFC 9457 §3.2). */
		readonly more: Readonly<Record<string, unknown>> = {}
	) {
		super(sentence);
	}
}

const TITLES: Readonly<Record<number, string>> = {
	400: 'Not understood',
	403: 'Refused',
	404: 'Not found',
	409: 'Changed elsewhere',
	413: 'Too large',
	500: 'Failed',
	503: 'Not now',
	507: 'Disk full'
};

/** A problem as a reply: `application/problem+json` (RFC 9457). */
export const problemReply = ({ status, message, more }: Problem): Response =>
	json(
		{ type: 'about:blank', title: TITLES[status] ?? 'Failed', status, detail: message, ...more },
		{ status, headers: { 'content-type': 'application/problem+json' } }
	);

/** A value checked against its schema; an invalid one is a problem that names the field. */
export function checked<X>(schema: z.core.$ZodType<X>, value: unknown): X {
	const result = z.safeParse(schema, value);
	if (result.success) return result.data;
	const issue = result.error.issues[0];
	const place = issue?.path.length ? `"${issue.path.join('.')}"` : 'The request';
	throw new Problem(400, `${place} is not as expected: ${issue?.message ?? 'unknown'}.`);
}

/** Throws a problem where a text anywhere in a value contains the character U+0000, which databases cannot store. */
export function withoutNul(value: unknown): void {
	const waiting = [value];
	for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
		if (typeof next === 'string' && next.includes('\0'))
			throw new Problem(
				400,
				'The request has a text with a NUL character (U+0000) in it; nothing was changed.'
			);
		if (typeof next === 'object' && next !== null)
			for (const [key, inner] of Object.entries(next)) waiting.push(key, inner);
	}
}

/** The JSON body of a request, checked. */
export async function body<X>(request: Request, schema: z.core.$ZodType<X>): Promise<X> {
	let value: unknown;
	try {
		value = await request.json();
	} catch {
		throw new Problem(400, 'The request holds no readable JSON; nothing was changed.');
	}
	withoutNul(value);
	return checked(schema, value);
}
