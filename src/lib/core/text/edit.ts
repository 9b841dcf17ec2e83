import { applyChanges, shifted, type Change } from './change.ts';
import { lineNumber, lineStart } from './lines.ts';

/** Changes of one file's text. */
export interface FileChanges {
	readonly path: string;
	readonly changes: readonly Change[];
}

/** Changes of texts that belong together and are done, and undone, as one step. */
export interface Edit {
	/** What it does. */
	readonly sentence: string;
	readonly files: readonly FileChanges[];
}

/** Lines of a text that a change replaces, and the new ones. */
export interface Hunk {
	/** The number of the first line, from 1, in the text before. */
	readonly line: number;
	readonly before: readonly string[];
	readonly after: readonly string[];
}

/** The lines touched by changes of an LF text, before and after, in order. */
export function changedLines(source: string, changes: readonly Change[]): Hunk[] {
	const stretches: { start: number; end: number; changes: Change[] }[] = [];
	for (const change of [...changes].sort((a, b) => a.start - b.start)) {
		const start = lineStart(source, change.start);
		const next = source.indexOf('\n', change.end);
		const end = next < 0 ? source.length : next;
		const last = stretches.at(-1);
		if (last && start <= last.end + 1) {
			last.end = Math.max(last.end, end);
			last.changes.push(change);
		} else stretches.push({ start, end, changes: [change] });
	}
	return stretches.flatMap(({ start, end, changes: own }): Hunk[] => {
		const text = source.slice(start, end);
		const before = text.split('\n');
		const after = applyChanges(text, shifted(own, -start)).split('\n');
		let line = lineNumber(source, start);
		while (before.length > 0 && after.length > 0 && before[0] === after[0]) {
			before.shift();
			after.shift();
			line++;
		}
		while (before.length > 0 && after.length > 0 && before.at(-1) === after.at(-1)) {
			before.pop();
			after.pop();
		}
		return before.length + after.length > 0 ? [{ line, before, after }] : [];
	});
}

/** How much unchanged text of a line is shown before and after a change, UTF-16 units; a little more is not cut. */
const AROUND = 60;
const LITTLE_MORE = 40;

/**
 * The same lines, shortened by what is unchanged at the beginning of the first and at the end of the last: a minified
 * text may be one line.
 */
export function cutToChange(hunk: Hunk): Hunk {
	const [was, now] = [hunk.before.join('\n'), hunk.after.join('\n')];
	const least = Math.min(was.length, now.length);
	let head = 0;
	while (head < least && was[head] === now[head] && was[head] !== '\n') head++;
	let tail = 0;
	while (tail < least - head && was.at(-1 - tail) === now.at(-1 - tail) && was.at(-1 - tail) !== '\n') tail++;
	const [from, upTo] = [head, tail].map((same) => (same > AROUND + LITTLE_MORE ? same - AROUND : 0)) as [
		number,
		number
	];
	const cut = (text: string): string[] =>
		`${from > 0 ? '…' : ''}${text.slice(from, text.length - upTo)}${upTo > 0 ? '…' : ''}`.split('\n');
	return from + upTo > 0 ? { ...hunk, before: cut(was), after: cut(now) } : hunk;
}
