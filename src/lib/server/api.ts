import type { RequestEvent, RequestHandler } from '@sveltejs/kit';
import { checked, Problem, problemReply, withoutNul } from './problem.ts';
import { troubleOf } from './trouble.ts';
import * as z from 'zod';

const id = z.coerce.number('a site is named by its number').int().positive();

/** The number of a route's site. */
export const siteId = (event: RequestEvent): number => checked(id, event.params.site);

/** A handler whose problems become replies; unexpected errors become a 500 with a sentence. */
export const handler =
	(work: (event: RequestEvent) => Promise<Response>): RequestHandler =>
	async (event) => {
		try {
			withoutNul([event.params, [...event.url.searchParams]]);
			return await work(event);
		} catch (error) {
			if (error instanceof Problem) return problemReply(error);
			const trouble = troubleOf(error);
			if (trouble) return problemReply(trouble);
			event.locals.log.error({ err: error }, 'unexpected');
			return problemReply(
				new Problem(500, 'The server met an error of its own; nothing was changed. Its log says more.')
			);
		}
	};
