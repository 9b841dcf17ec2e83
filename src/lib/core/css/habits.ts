import { mostFrequent } from '../text/index.ts';
import { sliceOf, walk, type Sheet } from './node.ts';

/** How a sheet writes widths in its queries; how it formats its rules is in `edit/hand.ts`. */
export interface Habits {
	/** Whether widths in queries are written as ranges (`width >= 700px`) or with prefixes (`min-width: 700px`). */
	readonly query: 'range' | 'prefix';
	/**
	 * The unit of widths in queries, and what a prefix query subtracts for "under": 0.02 for 699.98 instead of 700 px.
	 */
	readonly unit: 'px' | 'em' | 'rem';
	readonly less: string;
}

/** The habits of a sheet's queries, read from the sheet itself. */
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
	const unit = mostFrequent<'px' | 'em' | 'rem'>(units) ?? 'px';
	return {
		query: mostFrequent<'range' | 'prefix'>([...ranges, ...prefixes]) ?? 'range',
		unit,
		less: mostFrequent([...wholes, ...fractions]) ?? (unit === 'px' ? '0.02' : '0.001')
	};
}
