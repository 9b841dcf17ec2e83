import { sliceOf, walk, type Sheet } from '../css/index.ts';

/** A value that is in use for a property, and how often it is. */
export interface UsedValue {
	readonly value: string;
	readonly count: number;
}

/** Families whose sides take the same lengths: each of them is offered what any of them has. */
const FAMILIES = /^(margin|padding|inset|scroll-margin|scroll-padding|gap)\b/;
const FAMILY_OF: Readonly<Record<string, string>> = {
	top: 'inset',
	right: 'inset',
	bottom: 'inset',
	left: 'inset',
	'row-gap': 'gap',
	'column-gap': 'gap'
};
const familyOf = (property: string): string | undefined =>
	FAMILY_OF[property] ?? FAMILIES.exec(property)?.[1];

/** The words of a value, functions whole: `0`, `var(--gap)`, `calc(1px + (2px * 3))`. */
function wordsOf(value: string): string[] {
	const words = [''];
	let depth = 0;
	for (const sign of value) {
		if (sign === '(') depth++;
		if (sign === ')') depth--;
		if (depth === 0 && /\s/.test(sign)) words.push('');
		else words.push((words.pop() ?? '') + sign);
	}
	return words.filter(Boolean);
}

/** What is worth offering: numbers and custom properties; keywords are known anyway. */
const IS_OFFERED = /\d|var\(/;
/** What is longer is written once. */
const LONGEST = 60;

/**
 * The numbers and custom properties that sheets use for a property, the most frequent first; of margins, paddings, insets
 * and gaps those of all their sides, each by itself.
 */
export function usedValues(sheets: Iterable<Sheet>, property: string): UsedValue[] {
	const family = familyOf(property);
	const found = new Map<string, number>();
	for (const sheet of sheets) {
		for (const node of walk(sheet)) {
			if (node.kind !== 'declaration') continue;
			if (node.property !== property && (family === undefined || familyOf(node.property) !== family))
				continue;
			const value = sliceOf(sheet.source, node.value);
			for (const word of family === undefined ? [value] : wordsOf(value)) {
				if (IS_OFFERED.test(word) && word.length <= LONGEST) found.set(word, (found.get(word) ?? 0) + 1);
			}
		}
	}
	return [...found].map(([value, count]) => ({ value, count })).sort((a, b) => b.count - a.count);
}
