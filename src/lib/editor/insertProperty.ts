import { insertNewlineAndIndent } from '@codemirror/commands';
import type { Command } from '@codemirror/view';

/**
 * Inserts a property, with the caret where its value goes: on a new line after the caret's, or at the caret itself
 * where its line is empty or contains a whole block.
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
