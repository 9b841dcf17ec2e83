import { indentService, indentUnit, syntaxTree, type IndentContext } from '@codemirror/language';
import type { Extension } from '@codemirror/state';
import { indentationOf } from '../core/text/index.ts';

/** How many lines of a text are examined for its indentation. */
const LINES_LOOKED_AT = 400;

/** Indents new lines like the others of the text; with a tab where none is indented yet. */
const asItsText = indentUnit.compute(
	['doc'],
	({ doc }) => indentationOf(doc.iterLines(1, Math.min(doc.lines, LINES_LOOKED_AT) + 1)) ?? '\t'
);

/**
 * Where the text has not been parsed as far as the place, as in a long one just opened: the indentation of the
 * previous line, and one step more after an open brace. Otherwise the language decides, and this returns nothing.
 */
function asTheLineBefore(context: IndentContext, pos: number): number | undefined {
	if (syntaxTree(context.state).length >= pos) return undefined;
	const { text, from } = context.lineAt(pos, -1);
	const opens = text
		.slice(0, pos - from)
		.trimEnd()
		.endsWith('{');
	return context.countColumn(text, text.search(/\S|$/)) + (opens ? context.unit : 0);
}

export const indenting: Extension = [asItsText, indentService.of(asTheLineBefore)];
