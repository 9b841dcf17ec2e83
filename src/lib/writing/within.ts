import { refuse, shifted, type Change, type Result } from '../core/text/index.ts';
import type { Proposed } from './proposed.ts';
import { locked, partAt, type Desk, type Part } from './declaration.ts';

/** A selection in a file, offsets in its text. */
export interface Chosen {
	readonly file: string;
	readonly from: number;
	readonly to: number;
}

/** A selection after a stretch of its file's text was replaced. */
export function followed({ file, from, to }: Chosen, { start, end, text }: Change): Chosen {
	const after = (offset: number): number =>
		offset >= end ? offset + text.length - (end - start) : Math.min(offset, start);
	return { file, from: after(from), to: after(to) };
}

/** Makes an edit of the sheet around a selection, and returns what was made. */
export function within<Made extends { readonly changes: readonly Change[] }>(
	desk: Desk,
	{ file, from }: Chosen,
	make: (part: Part) => Result<Made, number>,
	told: (made: Made, part: Part) => Proposed
): Proposed {
	if (desk.isGiven(file)) return locked(file);
	const part = partAt(desk, file, from);
	if (!part) return refuse('The caret is in no sheet.');
	const made = make(part);
	if (!made.ok) return refuse(made.sentence, { path: file, offset: part.from + made.place });
	desk.working.change(file, shifted(made.value.changes, part.from));
	return told(made.value, part);
}
