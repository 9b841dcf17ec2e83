import { insist } from './insist.ts';
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
import { pageNotes, parsePage } from '../core/html/index.ts';
import { lineNumber } from '../core/text/index.ts';
import { sheetParts } from './css.ts';
import { afterFrames } from './painted.ts';
import { support } from './support.ts';

interface Remark {
	readonly at: number;
	readonly sentence: string;
}

type Lint = (sheet: Sheet) => readonly { readonly span: Span; readonly sentence: string }[];

/** Null until the grammar has come; nothing is remarked on before. */
let lint: Lint | null = null;

/** The grammar is large: it comes after the frames. */
const grammar = afterFrames()
	.then(() => insist(() => import('../core/grammar/index.ts')))
	.then(({ lint: ofGrammar }) => {
		lint = (sheet) => ofGrammar(sheet, (property, value) => CSS.supports(property, value));
	});

/**
 * What is wrong in a text, in a sheet or in a page and its `<style>` elements: what a browser recovers from, and
 * declarations that it does not take.
 */
function remarksOn(text: string, kind: 'page' | 'sheet'): Remark[] {
	const ofPage =
		kind === 'page'
			? pageNotes(parsePage(text)).map(({ span, sentence }) => ({ at: span.start, sentence }))
			: [];
	const ofSheets = sheetParts(text, kind).flatMap(({ start, end }) => {
		const above = lineNumber(text, start) - 1;
		const sheet = parseSheet(text.slice(start, end));
		return [...sheet.notes, ...(lint?.(sheet) ?? []), ...support.remarks(sheet)].map(
			({ span, sentence }) => ({
				at: start + span.start,
				sentence:
					above === 0
						? sentence
						: sentence.replace(/\bline (\d+)/g, (_, line) => `line ${Number(line) + above}`)
			})
		);
	});
	return [...ofPage, ...ofSheets];
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

/** As many as a line has room for, the rest by its number. */
const MOST_A_LINE = 4;

function fewALine(remarks: readonly Remark[]): Remark[] {
	const counts = new Map<number, number>();
	for (const { at } of remarks) counts.set(at, (counts.get(at) ?? 0) + 1);
	const seen = new Map<number, number>();
	return remarks.flatMap((remark) => {
		const n = (seen.get(remark.at) ?? 0) + 1;
		seen.set(remark.at, n);
		if (n <= MOST_A_LINE) return [remark];
		const more = (counts.get(remark.at) ?? n) - MOST_A_LINE;
		return n === MOST_A_LINE + 1 ? [{ at: remark.at, sentence: `And ${more} more on this line.` }] : [];
	});
}

function decorate(doc: Text, kind: 'page' | 'sheet'): DecorationSet {
	const builder = new RangeSetBuilder<Decoration>();
	const remarks = remarksOn(doc.toString(), kind).map(({ at, sentence }) => ({
		at: doc.lineAt(Math.min(at, doc.length)).to,
		sentence
	}));
	remarks.sort((a, b) => a.at - b.at);
	for (const { at, sentence } of fewALine(remarks)) {
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
			decorations: DecorationSet = Decoration.none;
			#timer: ReturnType<typeof setTimeout> | undefined;
			readonly #deaf: () => void;

			constructor(view: EditorView) {
				this.#deaf = support.listen(() => this.#again(view));
				if (lint) this.decorations = decorate(view.state.doc, kind);
				else void grammar.then(() => this.#again(view));
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
				this.#deaf();
			}
		},
		{ decorations: (plugin) => plugin.decorations }
	);
