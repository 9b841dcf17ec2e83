import { RangeSetBuilder, type Extension, type Text } from '@codemirror/state';
import {
	Decoration,
	EditorView,
	ViewPlugin,
	WidgetType,
	type DecorationSet,
	type ViewUpdate
} from '@codemirror/view';
import { parseSheet, type Sheet, type Span } from '../core/css/index.ts';
import { innerSpan, parsePage } from '../core/html/index.ts';

interface Remark {
	readonly at: number;
	readonly sentence: string;
}

type Lint = (sheet: Sheet) => readonly { readonly span: Span; readonly sentence: string }[];

let lint: Lint = () => [];

/** The grammar is large: it comes after the first texts are shown. */
const grammar = new Promise((resolve) => requestIdleCallback(resolve, { timeout: 4000 }))
	.then(() => import('../core/grammar/index.ts'))
	.then(({ lint: ofGrammar }) => {
		lint = (sheet) => ofGrammar(sheet, (property, value) => CSS.supports(property, value));
	});

/**
 * What is wrong in a text, in a sheet or in the `<style>` elements of a page: what a browser recovers from, and
 * declarations that it does not take.
 */
function remarksOn(text: string, kind: 'page' | 'sheet'): Remark[] {
	const parts =
		kind === 'sheet'
			? [{ start: 0, end: text.length }]
			: parsePage(text).elements.flatMap((element) =>
					element.tag === 'style' ? (innerSpan(element) ?? []) : []
				);
	return parts.flatMap(({ start, end }) => {
		const above = text.slice(0, start).split('\n').length - 1;
		const sheet = parseSheet(text.slice(start, end));
		return [...sheet.notes, ...lint(sheet)].map(({ span, sentence }) => ({
			at: start + span.start,
			sentence:
				above === 0
					? sentence
					: sentence.replace(/\bline (\d+)/g, (_, line) => `line ${Number(line) + above}`)
		}));
	});
}

class Note extends WidgetType {
	constructor(readonly sentence: string) {
		super();
	}
	override eq(other: Note): boolean {
		return other.sentence === this.sentence;
	}
	toDOM(): HTMLElement {
		const element = document.createElement('span');
		element.className = 'cm-note';
		element.textContent = this.sentence;
		return element;
	}
}

function decorate(doc: Text, kind: 'page' | 'sheet'): DecorationSet {
	const builder = new RangeSetBuilder<Decoration>();
	const remarks = remarksOn(doc.toString(), kind).map(({ at, sentence }) => ({
		at: doc.lineAt(Math.min(at, doc.length)).to,
		sentence
	}));
	remarks.sort((a, b) => a.at - b.at);
	for (const { at, sentence } of remarks) {
		builder.add(at, at, Decoration.widget({ widget: new Note(sentence), side: 1 }));
	}
	return builder.finish();
}

/** How long after the last keystroke the notes are read anew, ms. */
const REST = 250;

/** Shows what is broken at the end of its line, a moment after typing has stopped. */
export const notesAtLines = (kind: 'page' | 'sheet'): Extension =>
	ViewPlugin.fromClass(
		class {
			decorations: DecorationSet;
			#timer: ReturnType<typeof setTimeout> | undefined;

			constructor(view: EditorView) {
				this.decorations = decorate(view.state.doc, kind);
				void grammar.then(() => this.#again(view));
			}

			#again(view: EditorView): void {
				this.decorations = decorate(view.state.doc, kind);
				view.dispatch({});
			}

			update(update: ViewUpdate): void {
				if (!update.docChanged) return;
				this.decorations = this.decorations.map(update.changes);
				clearTimeout(this.#timer);
				this.#timer = setTimeout(() => this.#again(update.view), REST);
			}

			destroy(): void {
				clearTimeout(this.#timer);
			}
		},
		{ decorations: (plugin) => plugin.decorations }
	);
