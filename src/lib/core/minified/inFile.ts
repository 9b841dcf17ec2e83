import { lineStarts, placeAt, sharedLines, type Place } from '../text/index.ts';
import { breaksOf, indentOf, type TextKind } from './breaks.ts';
import type { Layout } from './layout.ts';

/**
 * How each line of an edited layout continues in the file: joined to the previous one, without so much indentation;
 * null where it begins a line of the file.
 */
function joins(text: string, before: Layout, kind: TextKind): (number | null)[] {
	const lines = text.split('\n');
	const joined = lines.map((): number | null => null);
	const starts = lineStarts(text);
	const own = new Set(before.own);
	const was = before.text.split('\n');
	/** The line of the layout before the edit whose treatment a line follows. */
	const model = lines.map(() => was.length - 1);
	let [next, after] = [0, 0];
	for (const run of [...sharedLines(was, lines), { before: was.length, after: lines.length, count: 0 }]) {
		for (let i = after; i < run.after; i++) {
			model[i] = Math.min(Math.max(1, next + i - after), run.before, was.length - 1);
		}
		for (let i = 0; i < run.count; i++) model[run.after + i] = run.before + i;
		[next, after] = [run.before + run.count, run.after + run.count];
	}
	for (const { at, from, depth } of breaksOf(text, kind)) {
		const { line } = placeAt(starts, at);
		const start = starts[line - 1] as number;
		// As in a layout, with the white space before it on one line.
		const isAsLaid = start - 1 >= from && text.slice(start, at) === indentOf(depth);
		if (!isAsLaid || text.slice(from, start - 1).includes('\n') || own.has(model[line - 1] ?? 0)) continue;
		joined[line - 1] = at - start;
	}
	return joined;
}

/**
 * The text of the file whose layout was edited: lines that only the layout has begun are joined again; the file's own
 * lines, and what was typed in another way, stay.
 */
export function textInFile(text: string, before: Layout, kind: TextKind): string {
	const joined = joins(text, before, kind);
	return text
		.split('\n')
		.map((line, i) => {
			const indent = joined[i] ?? null;
			return indent === null ? (i === 0 ? line : `\n${line}`) : line.slice(indent);
		})
		.join('');
}

/** Where a line of an edited layout begins in the file. */
export interface LineInFile extends Place {
	/** How much of the line's white space is not in the file. */
	readonly indent: number;
}

/** Where each line of an edited layout begins in the file of the layout before the edit. */
export function linesInFile(text: string, before: Layout, kind: TextKind): LineInFile[] {
	const joined = joins(text, before, kind);
	let [line, column] = [0, 1];
	return text.split('\n').map(({ length }, i) => {
		const indent = joined[i] ?? null;
		if (indent === null) [line, column] = [line + 1, 1];
		const begins = { line, column, indent: indent ?? 0 };
		column += length - begins.indent;
		return begins;
	});
}

/** The place in the file of a place in its layout. */
export function placeInFile(lines: readonly LineInFile[], { line, column }: Place): Place {
	const begins = lines[line - 1];
	if (!begins) return { line, column };
	return { line: begins.line, column: begins.column + Math.max(0, column - 1 - begins.indent) };
}
