import { DONE, refuse, type Result } from '$lib/core/text/index.ts';
import { StateEffect, StateField, type EditorState, type Extension } from '@codemirror/state';
import { Decoration, EditorView, keymap, type DecorationSet } from '@codemirror/view';
import { allBut, parseSheet, piecesAt, type MutablePart, type Span } from '../core/css/index.ts';
import { attributeAt, parsePage } from '../core/html/index.ts';
import { sheetPartAt } from '../writing/sheetParts.ts';
import { hostOf } from './host.ts';
import type { FileText } from '../session/texts.svelte.ts';

/** The muted stretches of the shown text. */
export const setMuted = StateEffect.define<readonly Span[]>();

const MUTED = Decoration.mark({ class: 'cm-muted' });

const marks = StateField.define<DecorationSet>({
	create: () => Decoration.none,
	update(shown, { changes, effects, newDoc }) {
		let next = shown.map(changes);
		for (const effect of effects) {
			if (!effect.is(setMuted)) continue;
			const inside = effect.value.filter(({ start, end }) => start < end && end <= newDoc.length);
			next = Decoration.set(
				inside.map(({ start, end }) => MUTED.range(start, end)),
				true
			);
		}
		return next;
	},
	provide: (field) => EditorView.decorations.from(field)
});

/** Strikes muted text out; Alt M mutes what the caret is in. */
export const muting: Extension = [
	marks,
	keymap.of([{ key: 'Alt-m', run: ({ state }) => hostOf(state).site.actions.toggleMute() }]),
	EditorView.theme({
		'.cm-muted': { textDecoration: 'line-through' },
		'.cm-muted, .cm-muted *': { color: 'var(--ink-2) !important' }
	})
];

/**
 * The offset that a caret refers to: at the start of a line what the line begins with, after a `;` what that ends.
 */
function meant(state: EditorState): number {
	const { head } = state.selection.main;
	const line = state.doc.lineAt(head);
	const first = line.from + (line.text.length - line.text.trimStart().length);
	if (head < first) return first;
	return line.text[head - line.from - 1] === ';' ? head - 1 : head;
}

/** The pieces around a file's caret that can be muted, innermost first. */
function mutable({ kind, state, text }: FileText): MutablePart[] {
	const head = meant(state);
	const part = sheetPartAt(text, kind, head);
	if (part) {
		const pieces = piecesAt(parseSheet(text.slice(part.start, part.end)), head - part.start);
		return pieces.map(({ span, words }) => ({
			words,
			span: { start: span.start + part.start, end: span.end + part.start }
		}));
	}
	const attribute = kind === 'page' ? attributeAt(parsePage(text), head) : undefined;
	return attribute ? [attribute] : [];
}

/** Mutes what the caret of a file is in, so many levels further out, or unmutes what is muted there. */
export function toggleMute(file: FileText, outward = 0): Result {
	file.settle();
	const head = meant(file.state);
	const there = file.muted.find(({ span }) => span.start <= head && head <= span.end);
	if (there && outward === 0) {
		file.unmute(there);
		return DONE;
	}
	const pieces = mutable(file);
	const piece = pieces[Math.min(outward, pieces.length - 1)];
	if (!piece)
		return refuse(
			'The caret is in nothing that can be muted: put it in a declaration, a rule, a class or an attribute.'
		);
	file.mute(piece);
	return DONE;
}

/** Mutes every sheet of a site except the rule at the caret of a file. */
export function muteOthers(files: readonly FileText[], file: FileText): Result {
	file.settle();
	const head = meant(file.state);
	const part = sheetPartAt(file.text, file.kind, head);
	const others = part && allBut(parseSheet(file.text.slice(part.start, part.end)), head - part.start);
	if (!part || !others) return refuse('Put the caret in a rule first.');
	for (const one of files) if (one !== file && one.kind === 'sheet') muteFile(one);
	for (const { span, words } of others) {
		file.mute({ span: { start: span.start + part.start, end: span.end + part.start }, words });
	}
	return DONE;
}

/** Mutes a whole file. */
export const muteFile = (file: FileText): void => {
	file.settle();
	file.mute({ span: { start: 0, end: file.text.length }, words: 'all of it' });
};
