import { ChangeSet, type Text } from '@codemirror/state';
import { applyChanges, type Change, type Edit } from '../core/text/index.ts';

/** Changes in the form that an editor takes. */
export const inEditor = (changes: readonly Change[]) =>
	changes.map(({ start, end, text }) => ({ from: start, to: end, insert: text }));

/** Texts as they will be after edits that have not been made yet, on which further edits can build. */
export class Working {
	readonly #files = new Map<string, { readonly before: string; text: string; changes: ChangeSet }>();
	readonly #source: (path: string) => string | undefined;

	/** `source` returns the text of a file. */
	constructor(source: (path: string) => string | undefined) {
		this.#source = source;
	}

	text(path: string): string | undefined {
		return this.#files.get(path)?.text ?? this.#source(path);
	}

	change(path: string, changes: readonly Change[]): void {
		const text = this.text(path);
		if (text === undefined || changes.length === 0) return;
		const known = this.#files.get(path) ?? { before: text, text, changes: ChangeSet.empty(text.length) };
		const more = ChangeSet.of(inEditor(changes), text.length);
		this.#files.set(path, {
			...known,
			text: applyChanges(text, changes),
			changes: known.changes.compose(more)
		});
	}

	/** The present position of an offset of a file's text from before all changes; after anything inserted at it. */
	now(path: string, offset: number): number {
		return this.#files.get(path)?.changes.mapPos(offset, 1) ?? offset;
	}

	/** All changes so far, as one edit. */
	edit(sentence: string): Edit {
		return {
			sentence,
			files: [...this.#files].map(([path, { changes }]) => {
				const all: Change[] = [];
				changes.iterChanges((start, end, _from, _to, inserted: Text) => {
					all.push({ start, end, text: inserted.toString() });
				}, true);
				return { path, changes: all };
			})
		};
	}
}
