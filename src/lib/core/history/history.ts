import type { ErrandChange } from '../errand/index.ts';
import type { Change } from '../text/index.ts';

/** A change of a text together with the text that it replaced, so that it can be undone. */
export interface Replacement extends Change {
	readonly was: string;
}

/** What a step did to one file: in text order and not touching each other; places are those of the text before. */
export interface StepFile {
	readonly path: string;
	readonly replaced: readonly Replacement[];
}

/** One step of work on the texts of a site, in any number of files. */
export interface Step {
	/** Unique among the steps of a history. */
	readonly number: number;
	/** When it was last done, ms since 1970 UTC. */
	readonly at: number;
	/** What it did. */
	readonly words: string;
	readonly files: readonly StepFile[];
	/** What it did to a file as a whole: where the file is both renamed and rewritten, `files` uses its new path. */
	readonly moved?: MovedFile | undefined;
	/** What it did to the list of errands, one after the other. */
	readonly errands?: readonly ErrandChange[] | undefined;
}

/** A file that a step renamed, added (`from` is null) or deleted (`to` is null), and the hash of its bytes. */
export interface MovedFile {
	readonly from: string | null;
	readonly to: string | null;
	readonly hash: string;
}

/** The steps of a site, the oldest first; those from `made` on have been undone. */
export interface History {
	readonly steps: readonly Step[];
	readonly made: number;
}

export const NO_HISTORY: History = { steps: [], made: 0 };

/** How many steps are kept. */
const MOST = 500;

/** The replacements that undo others, by places in the text after these. */
export function backwards(replaced: readonly Replacement[]): Replacement[] {
	let moved = 0;
	return replaced.map(({ start, text, was }) => {
		const at = start + moved;
		moved += text.length - was.length;
		return { start: at, end: at + text.length, text: was, was: text };
	});
}

/** Whether a text has what is to be replaced at every place. */
export const fits = (text: string, replaced: readonly Replacement[]): boolean =>
	replaced.every(({ start, end, was }) => text.slice(start, end) === was);

/**
 * A history with one more step, without those that were undone. A step with the number of the newest replaces it; one
 * that no longer does anything is dropped.
 */
export function recorded({ steps, made }: History, step: Step): History {
	const kept = steps.slice(0, made);
	const before = kept.at(-1)?.number === step.number ? kept.slice(0, -1) : kept;
	const files = step.files.filter(({ replaced }) => replaced.length > 0);
	const doesMore = step.moved !== undefined || (step.errands ?? []).length > 0;
	const next = files.length > 0 || doesMore ? [...before, { ...step, files }] : before;
	const newest = next.slice(-MOST);
	return { steps: newest, made: newest.length };
}

/**
 * The part of a history that still holds when what some steps changed is no longer what they led to: these steps can
 * no longer be undone or redone, nor can those beyond them.
 */
export function holding({ steps, made }: History, isOutdated: (step: Step) => boolean): History {
	const first = steps.slice(0, made).findLastIndex(isOutdated) + 1;
	const ahead = steps.slice(made).findIndex(isOutdated);
	return { steps: steps.slice(first, ahead < 0 ? undefined : made + ahead), made: made - first };
}

/** Whether a step changed a text of one of these files. */
export const touches =
	(paths: ReadonlySet<string>) =>
	({ files }: Step): boolean =>
		files.some(({ path }) => paths.has(path));

/** The total length of a step's texts, UTF-16 units. */
const lengthOf = ({ files, errands }: Step): number =>
	files
		.flatMap(({ replaced }) => replaced)
		.reduce(
			(sum, { was, text }) => sum + was.length + text.length,
			errands ? JSON.stringify(errands).length : 0
		);

/** As many of the newest steps as fit into so many UTF-16 units; none where the undone ones alone are longer. */
export function shortened({ steps, made }: History, most: number): History {
	let first = steps.length;
	let length = 0;
	while (first > 0 && (length += lengthOf(steps[first - 1] as Step)) <= most) first--;
	return first > made ? NO_HISTORY : { steps: steps.slice(first), made: made - first };
}
