/** A place in a text: the first line is 1, the first column is 1 (in UTF-16 units). */
export interface Place {
	readonly line: number;
	readonly column: number;
}

/** The offsets at which the lines of an LF text begin. */
export function lineStarts(text: string): number[] {
	const starts = [0];
	for (let at = text.indexOf('\n'); at !== -1; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
	return starts;
}

/** The place of an offset, found by binary search in the result of `lineStarts`. */
export function placeAt(starts: readonly number[], offset: number): Place {
	let low = 0;
	let high = starts.length;
	while (high - low > 1) {
		const mid = (low + high) >> 1;
		if ((starts[mid] as number) <= offset) low = mid;
		else high = mid;
	}
	return { line: low + 1, column: offset - (starts[low] as number) + 1 };
}

/** The offset at which the line of an offset begins. */
export const lineStart = (text: string, offset: number): number =>
	offset === 0 ? 0 : text.lastIndexOf('\n', offset - 1) + 1;

/** The number of the line that contains an offset of a text, from 1. */
export const lineNumber = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;
