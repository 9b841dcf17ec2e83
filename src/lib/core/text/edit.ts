import { applyChanges, shifted, type Change } from './change.ts';
import { lineNumber, lineStart } from './lines.ts';

/** Changes of one file's text. */
export interface FileChanges {
	readonly path: string;
	readonly changes: readonly Change[];
}

/** Changes of texts that belong together: made, and taken back, as one step. */
export interface Edit {
	/** What it does. */
	readonly sentence: string;
	readonly files: readonly FileChanges[];
}

/** Lines of a text that a change replaces, and what is there afterwards. */
export interface Hunk {
	/** The first of them, counted from 1, in the text before. */
	readonly line: number;
	readonly before: readonly string[];
	readonly after: readonly string[];
}

/** The lines that changes of an LF text touch, as they were and as they are afterwards, in order. */
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
