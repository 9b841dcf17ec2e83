import fc from 'fast-check';
import { expect, it } from 'vitest';
import { expressionOf, matchesIn, replacementOf, type Search } from './index.ts';

const replaced = (text: string, search: Search, by: string): string => {
	const expression = expressionOf(search);
	if (!expression.ok) return expression.sentence;
	return matchesIn(text, expression.value).reduceRight(
		(all, match) =>
			all.slice(0, match.start) +
			replacementOf(text, match, expression.value, search, by) +
			all.slice(match.end),
		text
	);
};

it.each([
	['a.b A.B axb', { words: 'a.b', matchCase: false, pattern: false }, '$1', '$1 $1 axb'],
	['a.b A.B axb', { words: 'a.b', matchCase: true, pattern: true }, 'z', 'z A.B z'],
	[
		'width: 10px;\nwidth: 7px',
		{ words: '^width: (\\d+)px', matchCase: true, pattern: true },
		'inline-size: $1px',
		'inline-size: 10px;\ninline-size: 7px'
	],
	['aaa', { words: 'x*', matchCase: true, pattern: true }, 'y', 'aaa'],
	['[x]', { words: '[', matchCase: true, pattern: false }, '(', '(x]']
] as const)('%s', (text, search, by, result) => {
	expect(replaced(text, search, by)).toBe(result);
});

it('what is no expression is said', () => {
	expect(replaced('', { words: '(', matchCase: true, pattern: true }, '')).toMatch(
		/^This is no regular expression/
	);
});

it('words are found as they are written, whatever characters they have', () => {
	fc.assert(
		fc.property(fc.string({ minLength: 1 }), fc.boolean(), (words, matchCase) => {
			expect(replaced(`§${words}§`, { words, matchCase, pattern: false }, 'x')).toBe('§x§');
		})
	);
	expect(replaced('margin-left: 0', { words: 'margin-left', matchCase: false, pattern: false }, 'left')).toBe(
		'left: 0'
	);
});
