import { insertNewlineAndIndent } from '@codemirror/commands';
import type { Command } from '@codemirror/view';

/**
 * Writes a property at the caret, with the caret where its value goes: on a line of its own after the caret's, or at the
 * caret itself where its line is empty or has a whole block.
 */
export const insertProperty =
	(property: string): Command =>
	(view) => {
		if (view.state.readOnly) return false;
		const { head } = view.state.selection.main;
		const line = view.state.doc.lineAt(head);
		const isApart = line.text.trim() !== '' && !/\{.*\}/.test(line.text);
		if (isApart) {
			view.dispatch({ selection: { anchor: line.to } });
			insertNewlineAndIndent(view);
		}
		const from = view.state.selection.main.head;
		const insert = `${property}: ;`;
		view.dispatch({
			changes: { from, insert },
			selection: { anchor: from + insert.length - 1 },
			userEvent: 'input.complete',
			scrollIntoView: true
		});
		return true;
	};
