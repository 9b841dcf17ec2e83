import { EditorView, keymap, type Command } from '@codemirror/view';
import { hostOf } from './host.ts';

const undo: Command = ({ state }) => {
	hostOf(state).site.history.undo();
	return true;
};
const redo: Command = ({ state }) => {
	hostOf(state).site.history.redo();
	return true;
};

/** Undo and redo in an editor are those of the whole site, by keys and by the browser's own menu. */
export const steppingBack = [
	keymap.of([
		{ key: 'Mod-z', run: undo, preventDefault: true },
		{ key: 'Mod-y', run: redo, preventDefault: true },
		{ key: 'Mod-Shift-z', run: redo, preventDefault: true }
	]),
	EditorView.domEventHandlers({
		beforeinput(event, view) {
			const command = { historyUndo: undo, historyRedo: redo }[event.inputType];
			if (!command) return false;
			event.preventDefault();
			return command(view);
		}
	})
];
