import { own } from './own.ts';
/** A stretch of an element's text, in UTF-16 units of its `textContent`. */
export interface Word {
	readonly start: number;
	readonly end: number;
}

const LETTER = /[\p{L}\p{N}'’-]/u;

/** The innermost element at a place of a viewport whose own text has a word there, and the word; null where none has. */
export function wordAt(document: Document, x: number, y: number): { element: Element; word: Word } | null {
	const at = own(document).caretRangeFromPoint(x, y);
	const text = at?.startContainer;
	const element = text?.parentElement;
	if (!at || text?.nodeType !== Node.TEXT_NODE || !element) return null;
	const { data } = text as Text;
	let [start, end] = [at.startOffset, at.startOffset];
	while (start > 0 && LETTER.test(data[start - 1] ?? '')) start--;
	while (end < data.length && LETTER.test(data[end] ?? '')) end++;
	if (start === end) return null;
	const before = own(document).createRange();
	before.setStart(element, 0);
	before.setEnd(text, start);
	const offset = before.toString().length;
	return { element, word: { start: offset, end: offset + end - start } };
}
