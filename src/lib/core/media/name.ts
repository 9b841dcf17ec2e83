import { sign, type Rational } from '../interval/index.ts';
import type { Change } from '../text/index.ts';
import { comparedIn, offset, type Compared } from './breakpoint.ts';

/** A breakpoint's name as it stands in a query, in a comment after its width. */
interface Named {
	readonly width: Compared;
	readonly name: string;
	/** From the width's end to the comment's; empty where there is none. */
	readonly start: number;
	readonly end: number;
}

const named = (text: string, em: Rational): Named[] =>
	comparedIn(text, em).map((width) => {
		const [comment = '', name = ''] = /^\s*\/\*((?:(?!\*\/)[\s\S])*)\*\//.exec(text.slice(width.end)) ?? [];
		return { width, name: name.trim(), start: width.end, end: width.end + comment.length };
	});

/** The names of a breakpoint, and of its other half, in lists of media queries; each once. */
export const namesOf = (queries: readonly string[], at: Rational, em: Rational): string[] => [
	...new Set(
		queries.flatMap((text) =>
			named(text, em).flatMap(({ width, name }) => (name !== '' && offset(width, at) ? [name] : []))
		)
	)
];

/**
 * Gives a breakpoint a name, in a comment after every width that is it or its other half; an empty one takes it away.
 * Gives the changes of each text. Comments may stand between any two tokens (CSS Syntax 3 §4.3.2).
 */
export function nameBreakpoint(
	queries: readonly string[],
	at: Rational,
	name: string,
	em: Rational
): Change[][] {
	const words = name.replaceAll('*/', '').replace(/\s+/g, ' ').trim();
	const all = queries.map((text) => named(text, em));
	const begins = all.some((list) =>
		list.some(({ width }) => {
			const off = offset(width, at);
			return width.side === 'from' && off !== undefined && sign(off) === 0;
		})
	);
	return all.map((list) =>
		list.flatMap(({ width, name: was, start, end }): Change[] => {
			const off = offset(width, at);
			// What begins a pixel above one at which something begins is another breakpoint.
			if (!off || (width.side === 'from' && sign(off) > 0 && begins) || was === words) return [];
			return [{ start, end, text: words === '' ? '' : ` /* ${words} */` }];
		})
	);
}
