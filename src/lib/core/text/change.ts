/** A stretch of a text and its replacement. */
export interface Change {
	readonly start: number;
	readonly end: number;
	readonly text: string;
}

/** Changes of a part of a text as changes of the whole, where the part begins at `by`. */
export const shifted = (changes: readonly Change[], by: number): Change[] =>
	changes.map(({ start, end, text }) => ({ start: start + by, end: end + by, text }));

/**
 * A text after changes; where two overlap, the first one is made. An insertion where another change begins overlaps
 * nothing, and comes before it.
 */
export function applyChanges(source: string, changes: readonly Change[]): string {
	if (changes.length === 0) return source;
	const removes = ({ start, end }: Change): number => (end > start ? 1 : 0);
	let text = '';
	let at = 0;
	const inOrder = [...changes].sort((a, b) => a.start - b.start || removes(a) - removes(b) || b.end - a.end);
	for (const change of inOrder) {
		if (change.start < at) continue;
		text += source.slice(at, change.start) + change.text;
		at = change.end;
	}
	return text + source.slice(at);
}

/** The changes that undo others, in the text after these. None of them may overlap. */
export function inverted(source: string, changes: readonly Change[]): Change[] {
	let moved = 0;
	return [...changes]
		.sort((a, b) => a.start - b.start || a.end - b.end)
		.map(({ start, end, text }) => {
			const at = start + moved;
			moved += text.length - (end - start);
			return { start: at, end: at + text.length, text: source.slice(start, end) };
		});
}

/**
 * Where an offset of a text after changes, given in order, was before them; inside inserted text, the place of the
 * insertion.
 */
export function offsetBefore(offset: number, changes: readonly Change[]): number {
	let shift = 0;
	for (const { start, end, text } of changes) {
		if (offset < start + shift) break;
		if (offset < start + shift + text.length) return start;
		shift += text.length - (end - start);
	}
	return offset - shift;
}

/** Where an offset of a text is after changes, given in order; in replaced text, the end of its replacement. */
export function offsetAfter(offset: number, changes: readonly Change[]): number {
	let shift = 0;
	for (const { start, end, text } of changes) {
		if (start > offset) break;
		if (end > offset) return start + shift + text.length;
		shift += text.length - (end - start);
	}
	return offset + shift;
}

/** The smallest replacement that turns one text into another. */
export function changeBetween(text: string, changed: string): Change {
	const most = Math.min(text.length, changed.length);
	let start = 0;
	while (start < most && text.charCodeAt(start) === changed.charCodeAt(start)) start++;
	let end = 0;
	while (
		end < most - start &&
		text.charCodeAt(text.length - 1 - end) === changed.charCodeAt(changed.length - 1 - end)
	)
		end++;
	return { start, end: text.length - end, text: changed.slice(start, changed.length - end) };
}
