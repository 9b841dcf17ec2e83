import * as z from 'zod/mini';
import { errandChangeSchema } from '../errand/index.ts';
import { backwards, fits, holding, shortened, touches, type History } from './history.ts';

const offset = z.number().check(z.int(), z.nonnegative());
const replacement = z.object({ start: offset, end: offset, text: z.string(), was: z.string() });
const step = z.object({
	number: z.number(),
	at: z.number(),
	words: z.string(),
	files: z.array(z.object({ path: z.string(), replaced: z.array(replacement) })),
	moved: z.optional(z.object({ from: z.nullable(z.string()), to: z.nullable(z.string()), hash: z.string() })),
	errands: z.optional(z.array(errandChangeSchema))
});
/** A stored history, with the lengths of the texts that it led to, UTF-16 units. */
const kept = z.object({
	steps: z.array(step),
	made: offset,
	lengths: z.record(z.string(), offset)
});

/** The present path of a file that had another before the steps that are done; null where one of them deleted it. */
const calledNow = ({ steps, made }: History, path: string): string | null =>
	steps
		.slice(0, made)
		.reduce<string | null>((now, { moved }) => (moved && moved.from === now ? moved.to : now), path);

/** The paths of all files that steps of a history touch. */
const pathsIn = ({ steps }: History): Set<string> =>
	new Set(steps.flatMap(({ files }) => files.map(({ path }) => path)));

/** A history as a text for storage: its newest steps, up to so many UTF-16 units. */
export function writeHistory(
	history: History,
	most: number,
	textOf: (path: string) => string | undefined
): string {
	const { steps, made } = shortened(history, most);
	const lengths = [...pathsIn({ steps, made })].map((path) => [
		path,
		textOf(calledNow({ steps, made }, path) ?? '')?.length ?? 0
	]);
	return JSON.stringify({ steps, made, lengths: Object.fromEntries(lengths) });
}

/**
 * What of a stored history still holds for the present texts. A text of another length, or without what the newest
 * step wrote, has changed: steps of that file are dropped, and those beyond them. Undefined for anything but a
 * history.
 */
export function readHistory(
	json: unknown,
	textOf: (path: string) => string | undefined
): History | undefined {
	const read = kept.safeParse(json);
	if (!read.success || read.data.made > read.data.steps.length) return undefined;
	const { steps, made, lengths } = read.data;
	const isAsLeft = (path: string): boolean => {
		const now = calledNow({ steps, made }, path);
		// What a step deleted comes back as it was.
		if (now === null) return true;
		const text = textOf(now);
		if (text?.length !== lengths[path]) return false;
		const last = steps
			.slice(0, made)
			.flatMap(({ files }) => files)
			.findLast((file) => calledNow({ steps, made }, file.path) === now);
		return text !== undefined && (!last || fits(text, backwards(last.replaced)));
	};
	const concerned = [...pathsIn({ steps, made })].filter((path) => !isAsLeft(path));
	return holding({ steps, made }, touches(new Set(concerned)));
}
