import { sliceOf, walk, type Sheet } from '../css/index.ts';

/** A value that is used for a property, and how often. */
export interface UsedValue {
	readonly value: string;
	readonly count: number;
}

/** Families of properties with the same kind of lengths: each is offered what any of them uses. */
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

/** The words of a value, with whole functions: `0`, `var(--gap)`, `calc(1px + (2px * 3))`. */
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
/** Longer values are probably unique. */
const LONGEST = 60;

/**
 * The numbers and custom properties that sheets use for a property, the most frequent first; for margins, paddings,
 * insets and gaps those of all sides, each word by itself.
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
