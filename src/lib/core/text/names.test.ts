import { expect, test } from 'vitest';
import { compareNames, indentationOf } from './index.ts';

test('names stand in the order of the numbers in them', () => {
	const names = [
		'page10.html',
		'css/b.css',
		'page2.html',
		'Page2.html',
		'page02.html',
		'css/a.css',
		'page.html'
	];
	const sorted = [...names].sort(compareNames);
	expect(sorted).toEqual([
		'css/a.css',
		'css/b.css',
		'page.html',
		'page02.html',
		'page2.html',
		'Page2.html',
		'page10.html'
	]);
	expect([...sorted].reverse().sort(compareNames)).toEqual(sorted);
});

test('the step of indentation is the one that most lines have', () => {
	const of = (text: string): string | null => indentationOf(text.split('\n'));
	expect(of('a {\n    b: c;\n    d: e;\n}\n@media x {\n    a {\n        b: c;\n    }\n}')).toBe('    ');
	expect(of('a {\n\tb: c\n}\n\n\tx {\n\t\ty: z\n')).toBe('\t');
	expect(of('a {\n  b: c;\n}\nd {\n   e: f;\n}\ng {\n  h: i;\n}')).toBe('  ');
	expect(of('a { b: c }\n\nd { e: f }')).toBe(null);
	// A blank line ends no block, and what is indented by a tab and a space is no step.
	expect(of('a {\n\n  \n  b: c;\n}')).toBe('  ');
	expect(of('a {\n\t b: c;\n}')).toBe(null);
});
