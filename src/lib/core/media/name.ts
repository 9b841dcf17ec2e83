import type { Rational } from '../interval/index.ts';
import type { Change } from '../text/index.ts';
import { halvesOf } from './breakpoint.ts';

/**
 * The comment after an offset of a query, with the space before it; a breakpoint's name is in one after its width.
 */
function commentAfter(text: string, offset: number): { readonly words: string; readonly length: number } {
	const [whole = '', words = ''] = /^\s*\/\*((?:(?!\*\/)[\s\S])*)\*\//.exec(text.slice(offset)) ?? [];
	return { words: words.trim(), length: whole.length };
}

/** The names of a breakpoint, and of its other half, in lists of media queries; each once. */
export const namesOf = (queries: readonly string[], at: Rational, em: Rational): string[] => {
	const names = halvesOf(queries, at, em).flatMap((list, i) =>
		list.map(({ end }) => commentAfter(queries[i] ?? '', end).words)
	);
	return [...new Set(names.filter((name) => name !== ''))];
};

/**
 * Names a breakpoint, in a comment after every width that is the breakpoint or its other half; an empty name removes
 * it. Returns the changes of each text. Comments are allowed between any two tokens (CSS Syntax 3 §4.3.2).
 */
export function nameBreakpoint(
	queries: readonly string[],
	at: Rational,
	name: string,
	em: Rational
): Change[][] {
	const words = name.replaceAll('*/', '').replace(/\s+/g, ' ').trim();
	return halvesOf(queries, at, em).map((list, i) =>
		list.flatMap(({ end }): Change[] => {
			const was = commentAfter(queries[i] ?? '', end);
			if (was.words === words) return [];
			return [{ start: end, end: end + was.length, text: words === '' ? '' : ` /* ${words} */` }];
		})
	);
}
