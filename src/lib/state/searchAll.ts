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
	readonly matches: readonly (Match & { readonly line: number; readonly words: string })[];
}

const MOST_IN_FILE = 2000;

/** Searches every text; a sentence where the search cannot be read. */
export function searchAll(files: Iterable<FileText>, search: Search): FoundIn[] | string {
	if (search.words === '') return [];
	const expression = expressionOf(search);
	if (typeof expression === 'string') return expression;
	return [...files].flatMap((file) => {
		const { text } = file;
		const found = matchesIn(text, expression, MOST_IN_FILE);
		if (found.length === 0) return [];
		const starts = lineStarts(text);
		const matches = found.map((match) => {
			const { line } = placeAt(starts, match.start);
			const from = starts[line - 1] ?? 0;
			return {
				...match,
				line,
				words: text
					.slice(from, (starts[line] ?? text.length + 1) - 1)
					.trim()
					.slice(0, 200)
			};
		});
		return [{ file, matches }];
	});
}

/** Replaces every match in every file, as one step in each; gives what takes all of it back. */
export function replaceAll(found: readonly FoundIn[], search: Search, by: string): () => void {
	const expression = expressionOf(search);
	if (typeof expression === 'string') return () => undefined;
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
