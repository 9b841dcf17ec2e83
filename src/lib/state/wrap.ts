import { parseSheet, unwrapRules, wrapRules, type Sheet } from '../core/css/index.ts';
import { handOf } from '../core/css/edit/hand.ts';
import type { Interval } from '../core/interval/index.ts';
import { shifted, type Change } from '../core/text/index.ts';
import { conditionFor, NO_CONDITION } from './condition.ts';
import { sheetPartAt } from './css.ts';
import { inEditor } from './steps.ts';
import type { FileText } from './texts.svelte.ts';

/** The sheet that a selection of a file lies in: all of a sheet's file, or a `<style>` of a page. */
function sheetAt(file: FileText, offset: number): { sheet: Sheet; from: number } | undefined {
	file.settle();
	const part = sheetPartAt(file.text, file.kind, offset);
	return part && { sheet: parseSheet(file.text.slice(part.start, part.end)), from: part.start };
}

/** Applies changes to a file as one step; says in a sentence why nothing was done, where there are none. */
function apply(file: FileText, changes: readonly Change[], from: number, otherwise: string): string | null {
	if (changes.length === 0) return otherwise;
	file.dispatch({
		changes: inEditor(shifted(changes, from)),
		userEvent: 'input.wrap'
	});
	return null;
}

const NO_RULE = 'The selection touches no rule of a sheet.';

/**
 * Wraps the rules that the selection of a file touches into a condition for an interval of widths, in the sheet's
 * own hand. Gives null when that is done, else a sentence.
 */
export function wrapSelection(file: FileText, interval: Interval, join: boolean): string | null {
	const { from: first, to: last } = file.state.selection.main;
	const at = sheetAt(file, first);
	if (!at) return NO_RULE;
	const condition = conditionFor(at.sheet, interval);
	if (!condition) return NO_CONDITION;
	const changes = wrapRules(at.sheet, first - at.from, last - at.from, {
		condition: condition.text,
		indent: handOf(at.sheet).indent,
		join,
		same: condition.same
	});
	return apply(file, changes, at.from, NO_RULE);
}

/** Takes the innermost `@media` around the caret of a file away from what stands in it. */
export function unwrapSelection(file: FileText): string | null {
	const { head } = file.state.selection.main;
	const at = sheetAt(file, head);
	const changes = at ? unwrapRules(at.sheet, head - at.from, handOf(at.sheet).indent) : [];
	return apply(file, changes, at?.from ?? 0, 'The caret is in no @media.');
}
