import { EditorState, type Transaction, type TransactionSpec } from '@codemirror/state';
import type { FileRecord } from '../api.ts';
import { editorExtensions } from './editor.ts';

/** A page's or sheet's text as it is being written; every change is a transaction here. */
export class FileText {
	readonly path: string;
	readonly kind: 'page' | 'sheet';
	state = $state.raw() as EditorState;
	/** The text as saved, and the hash of the file it stands in. */
	saved = $state('');
	base = $state('');
	readonly text = $derived(this.state.doc.toString());
	readonly dirty = $derived(this.text !== this.saved);
	readonly #changed: (file: FileText) => void;
	#opened = false;

	constructor({ path, kind, hash, text }: FileRecord, changed: (file: FileText) => void) {
		this.path = path;
		this.kind = kind === 'page' ? 'page' : 'sheet';
		this.saved = text ?? '';
		this.base = hash;
		this.#changed = changed;
		this.state = EditorState.create({ doc: this.saved });
	}

	/** Gives the text what an editor needs, once it is to be shown: a site may have thousands of texts. */
	open(): void {
		if (this.#opened) return;
		this.#opened = true;
		const { doc, selection } = this.state;
		this.state = EditorState.create({ doc, selection, extensions: editorExtensions(this.kind) });
	}

	/** Takes over a state that a transaction led to. */
	follow(transactions: readonly Transaction[]): void {
		const last = transactions.at(-1);
		if (!last) return;
		this.state = last.state;
		if (transactions.some(({ docChanged }) => docChanged)) this.#changed(this);
	}

	/** Changes the text from outside the editor. */
	dispatch(spec: TransactionSpec): void {
		this.follow([this.state.update(spec)]);
	}

	/** Replaces the whole text, as one step that can be undone. */
	replace(text: string, caret = 0): void {
		this.dispatch({
			changes: { from: 0, to: this.state.doc.length, insert: text },
			selection: { anchor: Math.min(caret, text.length) }
		});
	}
}
