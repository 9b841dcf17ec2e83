import type { StaleFile } from './api.ts';

/** A reply without success, with the server's sentence. */
export class Refused extends Error {
	constructor(
		readonly status: number,
		sentence: string,
		readonly stale: readonly StaleFile[]
	) {
		super(sentence);
	}
}

const UNREACHED = 'The server cannot be reached. Nothing here is lost; it is tried again.';

/**
 * Sends a request to the server.
 *
 * @throws {Refused} where it cannot be reached, or refuses
 */
export async function ask(path: string, init: RequestInit = {}): Promise<Response> {
	let response: Response;
	try {
		response = await fetch(path, init);
	} catch {
		throw new Refused(0, UNREACHED, []);
	}
	if (response.ok) return response;
	const problem = (await response.json().catch(() => ({}))) as { detail?: string; stale?: StaleFile[] };
	throw new Refused(
		response.status,
		problem.detail ?? `The server answered ${response.status}.`,
		problem.stale ?? []
	);
}

/** The JSON body of a request. */
export const sending = (method: string, value: unknown): RequestInit => ({
	method,
	headers: { 'content-type': 'application/json' },
	body: JSON.stringify(value)
});
