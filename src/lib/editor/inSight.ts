import { countColumn, type StateEffect } from '@codemirror/state';
import { EditorView } from '@codemirror/view';

/** Columns kept visible beside a place that is gone to. */
const BESIDE = 4;

/**
 * Scrolls so that a place is in the middle of the sheet. A long unwrapped line is shown from its start, unless the
 * place would be out of sight.
 */
export function inSight(view: EditorView, at: number): StateEffect<unknown> {
	const { from, text } = view.state.doc.lineAt(at);
	const { scrollDOM, contentDOM } = view;
	const beside =
		contentDOM.getBoundingClientRect().left - scrollDOM.getBoundingClientRect().left + scrollDOM.scrollLeft;
	const columns = countColumn(text, view.state.tabSize, at - from) + BESIDE;
	const isSeen = columns * view.defaultCharacterWidth < scrollDOM.clientWidth - beside;
	// With such a margin the start of the line is scrolled to the very left.
	return isSeen && !view.lineWrapping
		? EditorView.scrollIntoView(from, { y: 'center', x: 'start', xMargin: scrollDOM.clientWidth })
		: EditorView.scrollIntoView(at, { y: 'center' });
}
