import { caretAt, ruleAt } from '../core/css/index.ts';
import { wholeSelector } from '../core/selector/index.ts';
import type { Sources } from '../core/site/index.ts';
import { sheetPartAt } from '../writing/sheetParts.ts';
import type { FileText } from '../session/texts.svelte.ts';

/** The selector at the caret of a file. */
export interface CaretRule {
	/** As it would be without nesting. */
	readonly selector: string;
	/** Its place in the file, where it can be replaced; null for one that is nested or not a rule yet. */
	readonly span: { readonly start: number; readonly end: number } | null;
	/** Whether the selector itself is being written. */
	readonly writing: boolean;
}

/** The line of an offset where it is a selector without a block yet; otherwise ''. */
function begun(source: string, offset: number): string {
	const caret = caretAt(source, offset);
	const start = source.lastIndexOf('\n', offset - 1) + 1;
	// Inside brackets it is not known what is being written.
	const bracket = caret === undefined && /\([^)]*$/.test(source.slice(start, offset));
	if (!bracket && !['selector', 'class', 'id'].includes(caret?.kind ?? '')) return '';
	const end = source.indexOf('\n', offset);
	const [line = ''] = source.slice(start, end < 0 ? undefined : end).split('/*');
	return /[{};@]/.test(line) ? '' : line.trim().replace(/,$/, '');
}

/** The rule at a file's caret, or the selector being typed there; undefined where there is none. */
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
