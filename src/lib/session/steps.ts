import { invertedEffects, redo, undo } from '@codemirror/commands';
import { StateEffect, type Extension, type Transaction } from '@codemirror/state';
import type { Edit } from '../core/text/index.ts';
import { inEditor } from '../writing/working.ts';
import type { FileText } from './texts.svelte.ts';

/** Marks what one edit did to a file, so that all its files are taken back together. */
const stepEffect = StateEffect.define<number>();
let steps = 0;

/** Keeps the mark of an edit with its undo. */
export const stepMarks: Extension = invertedEffects.of(({ effects }) =>
	effects.filter((one) => one.is(stepEffect))
);

const stepOf = ({ effects }: Transaction): number | undefined =>
	effects.find((one) => one.is(stepEffect))?.value as number | undefined;

/** Makes an edit, as one step that an undo in any of its files takes back in all. */
export function applyEdit(texts: ReadonlyMap<string, FileText>, { files }: Edit): void {
	const step = ++steps;
	for (const { path, changes } of files) {
		const file = texts.get(path);
		if (!file || changes.length === 0) continue;
		file.open();
		file.dispatch({
			changes: inEditor(changes),
			effects: stepEffect.of(step),
			userEvent: 'input.edit'
		});
	}
}

/**
 * Takes back, or makes again, in other files what a transaction took back or made again of an edit; where one has
 * been written in since, it stays as it is.
 */
export function followStep(
	texts: ReadonlyMap<string, FileText>,
	from: FileText,
	transaction: Transaction
): void {
	const step = stepOf(transaction);
	const command = transaction.isUserEvent('undo') ? undo : transaction.isUserEvent('redo') ? redo : null;
	if (step === undefined || !command) return;
	for (const file of texts.values()) {
		if (file === from || !file.isOpen) continue;
		const { state } = file;
		let next: Transaction | undefined;
		command({ state, dispatch: (one) => (next = one) });
		if (next && stepOf(next) === step) file.take(next);
	}
}

/** Takes back the last step of a file, and with it what that step did to others. */
export function undoIn(texts: ReadonlyMap<string, FileText>, path: string): void {
	const file = texts.get(path);
	if (file) undo({ state: file.state, dispatch: (transaction) => file.take(transaction) });
}
