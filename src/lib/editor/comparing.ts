import { css } from '@codemirror/lang-css';
import { goToNextChunk, goToPreviousChunk, MergeView } from '@codemirror/merge';
import { Annotation, EditorState, type Extension } from '@codemirror/state';
import { EditorView, keymap, lineNumbers } from '@codemirror/view';
import { changeBetween } from '../core/text/index.ts';
import type { FileText } from '../session/texts.svelte.ts';
import { inEditor } from '../writing/working.ts';
import { editorLook } from './look.ts';

/** Marks a change that came from the file and is there already. */
const fromFile = Annotation.define<true>();

const merging = EditorView.theme({
	'&.cm-merge-a .cm-changedLine': { background: 'color-mix(in srgb, var(--rubric) 9%, transparent)' },
	'&.cm-merge-b .cm-changedLine': { background: 'color-mix(in srgb, var(--verdigris) 11%, transparent)' },
	'&.cm-merge-a.cm-editor .cm-changedText': {
		background: 'color-mix(in srgb, var(--rubric) 24%, transparent)'
	},
	'&.cm-merge-b.cm-editor .cm-changedText': {
		background: 'color-mix(in srgb, var(--verdigris) 26%, transparent)'
	},
	'.cm-collapsedLines': {
		padding: '2px 14px',
		color: 'var(--ink-2)',
		background: 'var(--tint)',
		backgroundImage: 'none'
	},
	'.cm-collapsedLines::before, .cm-collapsedLines::after': { content: '"…"' },
	'&.cm-merge-a.cm-editor .cm-changedLineGutter': { background: 'var(--rubric)' },
	'&.cm-merge-b.cm-editor .cm-changedLineGutter': { background: 'var(--verdigris)' }
});

/** The button beside differing lines, which replaces them by those on the left. */
function takeLines(): HTMLElement {
	const button = document.createElement('button');
	button.type = 'button';
	button.textContent = '→';
	button.title = 'Use these lines from the left';
	button.setAttribute('aria-label', button.title);
	return button;
}

/** A text beside a file's own, compared line by line; the file's can be edited. */
export interface Compared {
	/** To be called when the file has another text. */
	follow(): void;
	/** Goes to the next difference, or to the previous one. */
	next(): void;
	previous(): void;
	/** The number of differences. */
	readonly count: number;
	destroy(): void;
}

/**
 * Shows a text on the left and a file's own on the right; `changed` is called when the differences may have changed.
 */
export function compare(
	parent: HTMLElement,
	{ base, called, file, changed }: { base: string; called: string; file: FileText; changed: () => void }
): Compared {
	const both = (name: string): Extension => [
		lineNumbers(),
		editorLook(),
		merging,
		EditorView.lineWrapping,
		EditorView.contentAttributes.of({ 'aria-label': name, tabindex: '0' }),
		file.kind === 'sheet' ? css() : []
	];
	const view = new MergeView({
		parent,
		a: { doc: base, extensions: [both(called), EditorState.readOnly.of(true)] },
		b: {
			doc: file.latest,
			extensions: [
				both(`${file.path} as it is now`),
				EditorState.readOnly.of(file.isGiven),
				keymap.of([
					{ key: 'Alt-ArrowDown', run: goToNextChunk },
					{ key: 'Alt-ArrowUp', run: goToPreviousChunk }
				]),
				EditorView.updateListener.of(({ transactions }) => {
					for (const one of transactions) {
						if (!one.docChanged || one.annotation(fromFile)) continue;
						const userEvent = one.isUserEvent('revert') ? 'input.revert' : 'input.type';
						file.dispatch({ changes: one.changes, userEvent });
					}
					if (transactions.some(({ docChanged }) => docChanged)) changed();
				})
			]
		},
		...(file.isGiven ? {} : { revertControls: 'a-to-b', renderRevertControl: takeLines }),
		collapseUnchanged: { margin: 3, minSize: 8 },
		diffConfig: { scanLimit: 2000, timeout: 500 }
	});
	return {
		follow() {
			const now = view.b.state.doc.toString();
			if (now === file.latest) return;
			view.b.dispatch({
				changes: inEditor([changeBetween(now, file.latest)]),
				annotations: fromFile.of(true)
			});
		},
		next: () => void goToNextChunk(view.b),
		previous: () => void goToPreviousChunk(view.b),
		get count() {
			return view.chunks.length;
		},
		destroy: () => view.destroy()
	};
}
