import type { Change } from '../../text/index.ts';
import { indentAt, isFirstOnLine } from './line.ts';
import { reindentedLines } from './lines.ts';
import { isClosed, sliceOf, walk, type AtRule, type Sheet } from '../node.ts';
import { isPrologue } from '../prologue.ts';
import { runAt } from '../run.ts';

const indented = (text: string, indent: string): string => reindentedLines(text, (own) => indent + own);

/**
 * Wraps the rules that a selection touches, with their comments, in `@media` with a condition, in place and
 * one step further in. With `join` they are moved to the end of the next adjacent block whose condition
 * `same` accepts, where there is one. No changes where the selection touches no rule, or a
 * statement that only counts at the top level of a sheet (`@import`).
 */
export function wrapRules(
	sheet: Sheet,
	from: number,
	to: number,
	request: {
		readonly condition: string;
		readonly indent: string;
		readonly join: boolean;
		readonly same: (condition: string) => boolean;
	}
): Change[] {
	const { source } = sheet;
	const run = runAt(sheet, from, to);
	if (!run || run.nodes.some(isPrologue)) return [];
	const { condition, indent, join, same } = request;
	const outer = isFirstOnLine(source, run.start) ? indentAt(source, run.start) : '';
	const text = source.slice(run.start, run.end);
	const target = join
		? run.parent.children.findLast(
				(node): node is AtRule =>
					node.kind === 'at-rule' &&
					node.name === 'media' &&
					node.span.start >= run.end &&
					same(sliceOf(source, node.prelude))
			)
		: undefined;
	if (!target?.block) {
		const wrapped = `@media ${condition} {\n${outer}${indent}${indented(text, indent)}\n${outer}}`;
		return [{ start: run.start, end: run.end, text: wrapped }];
	}
	const at = target.block.end - (isClosed(source, target) ? 1 : 0);
	const before = source.slice(0, at).trimEnd().length;
	const inserted = `\n\n${outer}${indent}${indented(text, indent)}\n${outer}`;
	// What remains where the rules were: their line's indentation, and one of the empty lines around them.
	const rest = /^[^\S\n]*\n(?:[^\S\n]*\n)?/.exec(source.slice(run.end))?.[0].length ?? 0;
	return [
		{ start: run.start - outer.length, end: run.end + rest, text: '' },
		{ start: before, end: at, text: inserted }
	];
}

/** Unwraps the content of the innermost `@media` around an offset, one step back. No changes where there is none. */
export function unwrapRules(sheet: Sheet, offset: number, indent: string): Change[] {
	const { source } = sheet;
	let found: AtRule | undefined;
	for (const node of walk(sheet)) {
		if (node.kind === 'at-rule' && node.name === 'media' && node.block) {
			if (node.span.start <= offset && offset <= node.span.end) found = node;
		}
	}
	if (!found?.block) return [];
	const end = found.block.end - (isClosed(source, found) ? 1 : 0);
	const inner = source.slice(found.block.start + 1, end).trim();
	const text = reindentedLines(inner, (own) => (own.startsWith(indent) ? own.slice(indent.length) : own));
	return [{ start: found.span.start, end: found.span.end, text }];
}
