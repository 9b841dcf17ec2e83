import { RangeSetBuilder, type Extension, type Text } from '@codemirror/state';
import {
	Decoration,
	EditorView,
	ViewPlugin,
	WidgetType,
	type DecorationSet,
	type ViewUpdate
} from '@codemirror/view';
import { messageOf } from '../core/text/index.ts';
import type { TextRemark } from '../workers/reading.ts';
import { notify } from '../session/notices.svelte.ts';
import { afterFrames } from '../session/painted.ts';
import { reader } from '../session/reader.ts';
import { hostOf } from './host.ts';

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

/** As many as fit on a line, with the number of others. */
const MOST_A_LINE = 4;

function fewALine(remarks: readonly TextRemark[]): TextRemark[] {
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

function decorate(doc: Text, said: readonly TextRemark[]): DecorationSet {
	const builder = new RangeSetBuilder<Decoration>();
	const remarks = said.map(({ at, sentence }) => ({ at: doc.lineAt(Math.min(at, doc.length)).to, sentence }));
	remarks.sort((a, b) => a.at - b.at);
	for (const { at, sentence } of fewALine(remarks)) {
		builder.add(at, at, Decoration.widget({ widget: new Note(sentence), side: 1 }));
	}
	return builder.finish();
}

/** The pause after the last keystroke before the notes are updated, ms. */
const REST = 250;

/** Shows faults at the ends of their lines, a moment after typing has stopped. */
export const notesAtLines = (kind: 'page' | 'sheet'): Extension =>
	ViewPlugin.fromClass(
		class {
			decorations: DecorationSet = Decoration.none;
			#timer: ReturnType<typeof setTimeout> | undefined;
			readonly #deaf: () => void;
			/** The text asked about last; null once the editor is gone. */
			#asked: Text | null | undefined;

			constructor(view: EditorView) {
				const again = (): void => void this.#again(view);
				this.#deaf = hostOf(view.state).site.support.listen(again);
				// Notes can wait until after the first paint.
				void afterFrames().then(again);
			}

			async #again(view: EditorView): Promise<void> {
				const { doc } = view.state;
				const { site, path } = hostOf(view.state);
				if (this.#asked === null) return;
				this.#asked = doc;
				try {
					const remarks = await reader.remarks(path, doc.toString(), kind, site.support.asked);
					if (this.#asked !== doc || view.state.doc !== doc) return;
					this.decorations = decorate(doc, remarks);
					view.dispatch({});
				} catch (error) {
					if (this.#asked === doc) notify(messageOf(error));
				}
			}

			update(update: ViewUpdate): void {
				if (!update.docChanged) return;
				this.decorations = this.decorations.map(update.changes);
				clearTimeout(this.#timer);
				this.#timer = setTimeout(() => void this.#again(update.view), REST);
			}

			destroy(): void {
				this.#asked = null;
				clearTimeout(this.#timer);
				this.#deaf();
			}
		},
		{ decorations: (plugin) => plugin.decorations }
	);
