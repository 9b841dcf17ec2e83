import { caretAt, ruleAt } from '../core/css/index.ts';
import { wholeSelector } from '../core/selector/index.ts';
import type { Sources } from '../core/site/index.ts';
import { sheetPartAt } from '../writing/sheetParts.ts';
import type { FileText } from '../session/texts.svelte.ts';

/** The selector that the caret of a file is about. */
export interface CaretRule {
	/** As it would be without nesting. */
	readonly selector: string;
	/** Where it stands in the file, to be written in its place; null for one that is nested or not a rule yet. */
	readonly span: { readonly start: number; readonly end: number } | null;
	/** Whether it is the selector itself that is written. */
	readonly writing: boolean;
}

/** The line of an offset where it is a selector and no block of it is there yet; '' else. */
function begun(source: string, offset: number): string {
	const caret = caretAt(source, offset);
	const start = source.lastIndexOf('\n', offset - 1) + 1;
	// Within brackets it is not known what is written.
	const bracket = caret === undefined && /\([^)]*$/.test(source.slice(start, offset));
	if (!bracket && !['selector', 'class', 'id'].includes(caret?.kind ?? '')) return '';
	const end = source.indexOf('\n', offset);
	const [line = ''] = source.slice(start, end < 0 ? undefined : end).split('/*');
	return /[{};@]/.test(line) ? '' : line.trim().replace(/,$/, '');
}

/** The rule that a file's caret is in, or the selector that is being typed there; undefined where there is none. */
export function caretRule(file: FileText, sources: Sources): CaretRule | undefined {
	const { head } = file.state.selection.main;
	const part = sheetPartAt(file.text, file.kind, head);
	if (!part) return undefined;
	const source = file.text.slice(part.start, part.end);
	const offset = head - part.start;
	const typed = begun(source, offset);
	if (typed !== '') return { selector: typed, span: null, writing: true };
	const rule = ruleAt(sources.sheet(source), offset);
	if (!rule) return undefined;
	const { prelude, parent } = rule;
	return {
		selector: wholeSelector(source, rule),
		span:
			parent.kind === 'rule' ? null : { start: part.start + prelude.start, end: part.start + prelude.end },
		writing: prelude.start <= offset && offset <= prelude.end
	};
}
