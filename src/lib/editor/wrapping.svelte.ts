import { countColumn, RangeSetBuilder, type Extension } from '@codemirror/state';
import { Decoration, EditorView, ViewPlugin, type DecorationSet, type ViewUpdate } from '@codemirror/view';
import { store } from '../session/store.ts';

const KEY = 'vantaggio-wrap-lines';

let isOn = $state(store.get(KEY) !== 'no');

/** Whether long lines are wrapped; stored in the browser, for all sheets. */
export const wrapping = {
	get isOn(): boolean {
		return isOn;
	},
	set isOn(on: boolean) {
		isOn = on;
		store.set(KEY, on ? 'yes' : 'no');
	}
};

/** How much further than its line's first word a wrapped line is indented, and up to where: columns. */
const [FURTHER, MOST] = [4, 24];

const hangings = Array.from({ length: MOST + 1 }, (_, columns) =>
	Decoration.line({ class: 'cm-hanging', attributes: { style: `--hanging: ${columns}ch` } })
);

/** The visible lines, each with the indentation of its wrapped rest. */
function hang({ state, visibleRanges }: EditorView): DecorationSet {
	const builder = new RangeSetBuilder<Decoration>();
	let done = -1;
	for (const { from, to } of visibleRanges) {
		for (let line = state.doc.lineAt(from); line.from <= to; line = state.doc.line(line.number + 1)) {
			if (line.from > done) {
				const blank = /^\s*/.exec(line.text.slice(0, MOST))?.[0] ?? '';
				const columns = Math.min(countColumn(blank, state.tabSize) + FURTHER, MOST);
				builder.add(line.from, line.from, hangings[columns] as Decoration);
				done = line.from;
			}
			if (line.to >= state.doc.length) break;
		}
	}
	return builder.finish();
}

const hanging = ViewPlugin.fromClass(
	class {
		decorations: DecorationSet;
		#isOn = wrapping.isOn;

		constructor(view: EditorView) {
			this.decorations = this.#isOn ? hang(view) : Decoration.none;
		}

		update({ view, docChanged, viewportChanged }: ViewUpdate): void {
			if (this.#isOn === wrapping.isOn && (!this.#isOn || (!docChanged && !viewportChanged))) return;
			this.#isOn = wrapping.isOn;
			this.decorations = this.#isOn ? hang(view) : Decoration.none;
		}
	},
	{ decorations: (plugin) => plugin.decorations }
);

/** Wraps long lines where that is on, with a hanging indent. */
export const wrappingLines: Extension = [
	// The editor detects from the style of its content whether lines are wrapped.
	EditorView.contentAttributes.of(() => (wrapping.isOn ? { class: 'cm-lineWrapping' } : null)),
	hanging,
	EditorView.theme({
		'.cm-hanging': { paddingLeft: 'calc(6px + var(--hanging))', textIndent: 'calc(-1 * var(--hanging))' },
		'.cm-hanging > *': { textIndent: '0' }
	})
];
