import { sliceOf, walk, type Sheet } from './node.ts';

/** How a sheet is written where it could be written otherwise. */
export interface Habits {
	/** One step of indentation. */
	readonly indent: string;
	/** Whether widths in queries are written as ranges (`width >= 700px`) or with prefixes (`min-width: 700px`). */
	readonly query: 'range' | 'prefix';
	/** The unit of widths in queries, and what a prefix query takes off for "under": 0.02 of 700 px is 699.98. */
	readonly unit: 'px' | 'em' | 'rem';
	readonly less: string;
}

/** The most frequent of some words; the first where none is there. */
function mostFrequent<X extends string>(words: readonly X[], otherwise: X): X {
	const counts = new Map<X, number>();
	for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
	return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? otherwise;
}

function indentOf(source: string): string {
	const steps = [...source.matchAll(/\{[^\S\n]*\n([ \t]+)/g)].map(([, step]) => step as string);
	const least = [...steps].sort((a, b) => a.length - b.length)[0];
	return least?.startsWith('\t') ? '\t' : (least ?? '\t');
}

/** The habits of a sheet, read from the sheet itself. */
export function habitsOf(sheet: Sheet): Habits {
	const { source } = sheet;
	const queries: string[] = [];
	for (const node of walk(sheet)) {
		if (node.kind === 'at-rule' && node.name === 'media') queries.push(sliceOf(source, node.prelude));
	}
	const all = queries.join(' ');
	const found = (pattern: RegExp): string[] => [...all.matchAll(pattern)].map(([text]) => text);
	const ranges = found(/\bwidth\s*[<>=]|[<>=]\s*width\b/gi).map(() => 'range' as const);
	const prefixes = found(/\b(min|max)-width\s*:/gi).map(() => 'prefix' as const);
	const units = [...all.matchAll(/\d(px|r?em)\b/gi)].map(([, unit]) => unit?.toLowerCase() as 'px');
	const fractions = [...all.matchAll(/max-width\s*:\s*\d+\.(\d+)/gi)].map(([, digits]) =>
		String(Number((1 - Number(`0.${digits}`)).toFixed(6)))
	);
	const wholes = [...all.matchAll(/max-width\s*:\s*\d+(?![.\d])/gi)].map(() => '1');
	const unit = mostFrequent<'px' | 'em' | 'rem'>(units, 'px');
	return {
		indent: indentOf(source),
		query: mostFrequent<'range' | 'prefix'>([...ranges, ...prefixes], 'range'),
		unit,
		less: mostFrequent([...wholes, ...fractions], unit === 'px' ? '0.02' : '0.001')
	};
}
