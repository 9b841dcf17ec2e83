import { diffArrays } from 'diff';
import iconv from 'iconv-lite';
import type { Codec, SharedLines } from '$lib/core/text/index.ts';

export const codec: Codec = {
	knows: (encoding) => iconv.encodingExists(encoding),
	decode: (bytes, encoding) => iconv.decode(Buffer.from(bytes), encoding, { stripBOM: false }),
	encode: (text, encoding) => iconv.encode(text, encoding)
};

/** How many lines may be put in and taken out before a difference is no longer looked for: the effort grows as its square. */
const MOST_EDITS = 1000;

/**
 * The lines that two texts share. Beyond `MOST_EDITS` changed lines these are the ones at the head and at the tail alone,
 * and lines between that stayed as they were are taken for changed.
 */
export const sharedLines: SharedLines = (before, after) => {
	const least = Math.min(before.length, after.length);
	let head = 0;
	while (head < least && before[head] === after[head]) head++;
	let tail = 0;
	while (tail < least - head && before.at(-1 - tail) === after.at(-1 - tail)) tail++;
	const runs: { before: number; after: number; count: number }[] = [];
	const share = (a: number, b: number, count: number): void => {
		if (count > 0) runs.push({ before: a, after: b, count });
	};
	share(0, 0, head);
	const middle = (lines: readonly string[]): string[] => lines.slice(head, lines.length - tail);
	const parts = diffArrays(middle(before), middle(after), { maxEditLength: MOST_EDITS });
	let [a, b] = [head, head];
	for (const { added, removed, count } of parts ?? []) {
		if (!added && !removed) share(a, b, count);
		if (!added) a += count;
		if (!removed) b += count;
	}
	share(before.length - tail, after.length - tail, tail);
	return runs;
};
