import { Prec, StateEffect, StateField, type EditorState, type Extension } from '@codemirror/state';
import { EditorView, keymap, type KeyBinding } from '@codemirror/view';
import { addTo, numberAt } from '../core/css/index.ts';

/** A number being tried: its place, and its former text. */
interface Trial {
	readonly from: number;
	readonly to: number;
	readonly before: string;
}

const setTrial = StateEffect.define<Trial | null>();

/** The number being tried; any other change, or moving the caret away, ends the trial. */
const trialField = StateField.define<Trial | null>({
	create: () => null,
	update(trial, transaction) {
		const effect = transaction.effects.findLast((one) => one.is(setTrial));
		if (effect) return effect.value;
		if (!trial || transaction.docChanged) return null;
		const { head } = transaction.state.selection.main;
		return head < trial.from || head > trial.to ? null : trial;
	}
});

/** The CSS text around an offset, and where it begins: all of a sheet, or a line of a page. */
function cssAround(
	state: EditorState,
	offset: number,
	kind: 'page' | 'sheet'
): { text: string; from: number } {
	if (kind === 'sheet') return { text: state.doc.toString(), from: 0 };
	const line = state.doc.lineAt(offset);
	return { text: line.text, from: line.from };
}

/** Changes the number at an offset; false where there is none, or where it must not be changed. */
function nudge(view: EditorView, kind: 'page' | 'sheet', offset: number, step: number): boolean {
	const { state } = view;
	const { text: css, from: at } = cssAround(state, offset, kind);
	const found = numberAt(css, offset - at);
	if (!found || state.readOnly) return false;
	const from = at + found.span.start;
	const text = addTo(found.text, step);
	const trial = state.field(trialField);
	const before = trial?.from === from ? trial.before : found.text;
	view.dispatch({
		changes: { from, to: at + found.span.end, insert: text },
		selection: { anchor: from + text.length },
		effects: setTrial.of({ from, to: from + text.length, before }),
		userEvent: 'input.nudge',
		scrollIntoView: true
	});
	return true;
}

/** Restores the number being tried; false where there is none. */
function takeBack(view: EditorView): boolean {
	const trial = view.state.field(trialField);
	if (!trial || view.state.sliceDoc(trial.from, trial.to) === trial.before) return false;
	view.dispatch({
		changes: { from: trial.from, to: trial.to, insert: trial.before },
		selection: { anchor: trial.from + trial.before.length },
		effects: setTrial.of(null),
		userEvent: 'input.nudge'
	});
	return true;
}

const STEPS = [
	['Alt-', 1],
	['Shift-Alt-', 10],
	['Ctrl-Alt-', 0.1]
] as const;

/** How far the pointer moves for one step, px. */
const STRIDE = 4;

const stepOf = (event: MouseEvent): number => (event.shiftKey ? 10 : event.ctrlKey ? 0.1 : 1);

/** Dragging a number with Alt held changes it by a step for every few px to the right. */
function draggable(kind: 'page' | 'sheet'): Extension {
	return EditorView.domEventHandlers({
		mousedown(event, view) {
			if (!event.altKey || event.button !== 0) return false;
			const offset = view.posAtCoords({ x: event.clientX, y: event.clientY });
			if (offset === null) return false;
			const { text, from } = cssAround(view.state, offset, kind);
			const found = numberAt(text, offset - from);
			if (!found) return false;
			event.preventDefault();
			view.focus();
			const start = from + found.span.start;
			let done = 0;
			const move = (now: MouseEvent): void => {
				const due = Math.trunc((now.clientX - event.clientX) / STRIDE);
				if (due !== done) nudge(view, kind, start, (due - done) * stepOf(now));
				done = due;
			};
			const end = (): void => {
				window.removeEventListener('mousemove', move);
				window.removeEventListener('mouseup', end);
			};
			window.addEventListener('mousemove', move);
			window.addEventListener('mouseup', end);
			return true;
		}
	});
}

/**
 * Alt with ↑ or ↓ changes the number at the caret by 1, with Shift by 10, with Ctrl by 0.1; Escape restores it. Where
 * the caret is not in a number, the keys keep their usual function.
 */
export function nudging(kind: 'page' | 'sheet'): Extension {
	const bindings = STEPS.flatMap(([modifiers, by]): KeyBinding[] =>
		[['ArrowUp', by] as const, ['ArrowDown', -by] as const].map(([key, step]) => ({
			key: modifiers + key,
			run: (view) => nudge(view, kind, view.state.selection.main.head, step)
		}))
	);
	return [trialField, Prec.high(keymap.of([...bindings, { key: 'Escape', run: takeBack }])), draggable(kind)];
}
