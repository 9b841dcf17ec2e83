import { foldEffect, unfoldAll } from '@codemirror/language';
import { EditorSelection, type EditorState, type Extension } from '@codemirror/state';
import { keymap, type Command, type EditorView } from '@codemirror/view';
import { sliceOf, walk, type Sheet } from '../core/css/index.ts';
import { contains, rationalFromNumber } from '../core/interval/index.ts';
import { rulesShown, type InForce } from './force.ts';
import { hostOf } from './host.ts';
import { inSight } from './inSight.ts';

const goTo = (view: EditorView, at: number): void => {
	view.dispatch({
		selection: EditorSelection.cursor(at),
		effects: inSight(view, at)
	});
	view.focus();
};

/** Goes to the next or previous rule in force at the carriage, cyclically. */
export const toRuleInForce =
	(by: -1 | 1): Command =>
	(view) => {
		const { head } = view.state.selection.main;
		const line = view.state.doc.lineAt(head).from;
		const found = rulesShown(view.state).flatMap(({ from, holds }) => (holds ? [from] : []));
		const next =
			by > 0
				? (found.find((at) => at > line) ?? found[0])
				: (found.findLast((at) => at < line) ?? found.at(-1));
		if (next === undefined) return false;
		const { text } = view.state.doc.lineAt(next);
		goTo(view, next + (text.length - text.trimStart().length));
		return true;
	};

/** Folds every block that is not in force at the carriage's width, and unfolds the rest. */
export const foldOthers =
	({ rules, width }: InForce): Command =>
	(view) => {
		unfoldAll(view);
		const here = rationalFromNumber(width);
		const text = view.state.doc.toString();
		let end = 0;
		const effects = rules.flatMap(({ span, widths }) => {
			const opens = text.indexOf('{', span.start) + 1;
			if (span.start < end || contains(widths, here) || opens === 0 || opens >= span.end - 1) return [];
			({ end } = span);
			return [foldEffect.of({ from: opens, to: span.end - 1 })];
		});
		view.dispatch({ effects });
		return true;
	};

/** The name of the custom property at the caret. */
function customPropertyAt(state: EditorState): string | undefined {
	const { head } = state.selection.main;
	const { from, text } = state.doc.lineAt(head);
	for (const match of text.matchAll(/--[\w\u0080-\uffff-]+/g)) {
		if (from + match.index <= head && head <= from + match.index + match[0].length) return match[0];
	}
	return undefined;
}

/** Goes to where the custom property at the caret is first defined. */
export const toDefinition: Command = (view) => {
	const name = customPropertyAt(view.state);
	return name !== undefined && hostOf(view.state).site.answers.showDefinition(name);
};

/** The offset at which a sheet first defines a custom property; undefined where it does not. */
export function definitionIn(sheet: Sheet, name: string): number | undefined {
	for (const node of walk(sheet)) {
		if (node.kind === 'declaration' && node.property === name) return node.span.start;
		if (node.kind === 'at-rule' && node.name === 'property' && sliceOf(sheet.source, node.prelude) === name) {
			return node.span.start;
		}
	}
	return undefined;
}

/** Keys that move through a sheet by its rules, and move its rules. */
export const moving: Extension = keymap.of([
	{ key: 'Alt-PageUp', run: ({ state }) => hostOf(state).site.actions.moveRule(-1) },
	{ key: 'Alt-PageDown', run: ({ state }) => hostOf(state).site.actions.moveRule(1) },
	{ key: 'Alt-.', run: toRuleInForce(1) },
	{ key: 'Alt-,', run: toRuleInForce(-1) },
	{ key: 'Alt-Enter', run: toDefinition }
]);
