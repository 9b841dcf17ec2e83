import { messageOf } from './message.ts';
import { done, refuse, type Result } from './result.ts';

/** What to look for in texts. */
export interface Search {
	readonly words: string;
	readonly matchCase: boolean;
	/** Whether the words are a regular expression (ECMAScript, by lines: `^` and `$` are their ends). */
	readonly pattern: boolean;
}

export interface Match {
	readonly start: number;
	readonly end: number;
}

/** The expression of a search; refused where it cannot be parsed. */
export function expressionOf({ words, matchCase, pattern }: Search): Result<RegExp> {
	const source = pattern ? words : words.replace(/[\\^$.*+?()[\]{}|]/g, '\\$&');
	try {
		return done(new RegExp(source, `gmu${matchCase ? '' : 'i'}`));
	} catch (error) {
		const why = messageOf(error).replace(/^.*: /, '');
		return refuse(`This is no regular expression: ${why}.`);
	}
}

/** Where a text matches. Empty matches do not count. */
export const matchesIn = (text: string, expression: RegExp): Match[] =>
	[...text.matchAll(expression)].flatMap(({ index, 0: { length } }) =>
		length === 0 ? [] : { start: index, end: index + length }
	);

/** The replacement of a match: `$1` and the like of a pattern are filled in. */
export const replacementOf = (
	text: string,
	{ start, end }: Match,
	expression: RegExp,
	{ pattern }: Search,
	by: string
): string => {
	if (!pattern) return by;
	const once = new RegExp(expression.source, expression.flags.replace('g', 'y'));
	once.lastIndex = start;
	const match = once.exec(text);
	if (!match || match[0].length !== end - start) return by;
	return by.replace(/\$(\d{1,2}|&)/g, (_, n: string) => (n === '&' ? match[0] : (match[Number(n)] ?? '')));
};
