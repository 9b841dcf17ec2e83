import {
	expressionOf,
	lineStarts,
	matchesIn,
	placeAt,
	replacementOf,
	type Match,
	type Search
} from '../core/text/index.ts';
import type { FileText } from './texts.svelte.ts';

/** What was found in one file. */
export interface FoundIn {
	readonly file: FileText;
	readonly matches: readonly Match[];
}

/** One match as it is listed. */
export interface FoundLine {
	readonly path: string;
	readonly start: number;
	readonly line: number;
	readonly words: string;
}

/** Searches every text; a sentence where the search cannot be read. */
export function searchAll(files: readonly FileText[], search: Search): FoundIn[] | string {
	if (search.words === '') return [];
	const expression = expressionOf(search);
	if (typeof expression === 'string') return expression;
	return files
		.map((file) => ({ file, matches: matchesIn(file.text, expression) }))
		.filter(({ matches }) => matches.length > 0);
}

/** The first matches with the lines they stand in, no more than `most`. */
export function linesFound(found: readonly FoundIn[], most: number): FoundLine[] {
	const lines: FoundLine[] = [];
	for (const { file, matches } of found) {
		if (lines.length >= most) break;
		const { path, text } = file;
		const starts = lineStarts(text);
		for (const { start } of matches.slice(0, most - lines.length)) {
			const { line } = placeAt(starts, start);
			const whole = text.slice(starts[line - 1] ?? 0, (starts[line] ?? text.length + 1) - 1);
			lines.push({ path, start, line, words: whole.trim().slice(0, 200) });
		}
	}
	return lines;
}

/** Replaces every match in every file that is not given, as one step in each; gives what takes all of it back. */
export function replaceAll(files: readonly FileText[], search: Search, by: string): () => void {
	// A long text may be a moment behind its editor.
	for (const file of files) file.settle();
	const expression = expressionOf(search);
	const found = searchAll(
		files.filter(({ isGiven }) => !isGiven),
		search
	);
	if (typeof expression === 'string' || typeof found === 'string') return () => undefined;
	const before = found.map(({ file, matches }) => {
		const { text } = file;
		file.dispatch({
			changes: matches.map((match) => ({
				from: match.start,
				to: match.end,
				insert: replacementOf(text, match, expression, search, by)
			})),
			userEvent: 'input.replace.all'
		});
		return { file, text, after: file.text };
	});
	return () => {
		for (const { file, text, after } of before) {
			// What was typed since is not thrown away: that file has its own undo.
			if (file.text === after) file.replace(text);
		}
	};
}
