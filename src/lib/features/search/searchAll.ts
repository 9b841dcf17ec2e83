import { expressionOf, matchesIn, replacementOf, type Search } from '$lib/core/text/index.ts';
import type { FileText } from '$lib/session/texts.svelte.ts';

/** Replaces every match in every file that is not given, as part of one step. */
export function replaceAll(files: readonly FileText[], search: Search, by: string): void {
	// A long text may be a moment behind its editor.
	for (const file of files) file.settle();
	const expression = expressionOf(search);
	if (!expression.ok) return;
	for (const file of files) {
		const { text } = file;
		const matches = file.isGiven ? [] : matchesIn(text, expression.value);
		if (matches.length === 0) continue;
		file.dispatch({
			changes: matches.map((match) => ({
				from: match.start,
				to: match.end,
				insert: replacementOf(text, match, expression.value, search, by)
			})),
			userEvent: 'input.replace.all'
		});
	}
}
