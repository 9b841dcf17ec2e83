import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges } from '../../text/index.ts';
import { parseSheet } from '../index.ts';
import { moveRule } from './index.ts';

/** Moves the rule at `|`, and marks the caret again. */
function moved(marked: string, by: number): string | undefined {
	const offset = marked.indexOf('|');
	const source = marked.replace('|', '');
	const move = moveRule(parseSheet(source), offset, by);
	if (!move.ok) return undefined;
	const text = applyChanges(source, move.value.changes);
	return `${text.slice(0, move.value.offset)}|${text.slice(move.value.offset)}`;
}

const SHEET = `a { top: 0 }

/* The second,
   said at length */
b { left: 0| }

@media (x) {
  c {}
  d {}
}
`;

describe('moveRule', () => {
	it('takes comments along, and leaves what stands between', () => {
		expect(moved(SHEET, -1)).toBe(`/* The second,
   said at length */
b { left: 0| }

a { top: 0 }

@media (x) {
  c {}
  d {}
}
`);
		expect(moved(moved(SHEET, -1) ?? '', 1)).toBe(SHEET);
	});

	it('moves as far as is asked, or as there is room', () => {
		expect(moved(SHEET, 9)).toBe(moved(SHEET, 1));
		expect(moved('a {|}\n\nb {}\n\nc {}\n', 2)).toBe('b {}\n\nc {}\n\na {|}\n');
		expect(moved('a {}\nb {}\n\nc {|}\n', -2)).toBe('c {|}\na {}\n\nb {}\n');
	});

	it('goes far as it goes by single places, and back to the byte', () => {
		const gaps = fc.array(fc.constantFrom('\n', '\n\n', ' ', ''), { minLength: 5, maxLength: 5 });
		fc.assert(
			fc.property(gaps, fc.nat(4), fc.integer({ min: -4, max: 4 }), (between, at, by) => {
				const names = ['a', 'b', 'c', 'd', 'e'];
				const source = names
					.map((name, i) => `${name} { top: 0${i === at ? '|' : ''} }${between[i] ?? ''}`)
					.join('');
				const far = moved(source, by) ?? source;
				let near = source;
				for (let i = 0; i < Math.abs(by); i++) near = moved(near, Math.sign(by)) ?? near;
				expect(far).toBe(near);
				expect([...far].sort()).toEqual([...source].sort());
			})
		);
	});

	it.each([
		['@import "x";\na {|}', -1, undefined],
		['@import "x|";\na {}', 1, undefined],
		['@charset "utf-8";\n@import "x|";', -1, undefined],
		['@import "x";\n@namespace "y|";', -1, undefined],
		['@namespace "y";\na {|}', -1, undefined],
		['@layer a, b;\n@layer b {|}', -1, undefined],
		['@layer a, b;\n@import "x|" layer(b);', -1, undefined],
		['@import "x";\na {}\nb {|}', -2, '@import "x";\nb {|}\na {}'],
		['@layer a;\nb {|}', -1, 'b {|}\n@layer a;'],
		['@import "x";\n@import "y|";', -1, '@import "y|";\n@import "x";'],
		['@media (x) {\n@layer a;\nb {|}\n}', -1, '@media (x) {\nb {|}\n@layer a;\n}'],
		['b {}\n@layer a|', -1, '@layer a|;\nb {}'],
		['b {|}\n@layer a', 1, '@layer a;\nb {|}']
	])('keeps the order that statements need: %j by %i', (source, by, result) => {
		expect(moved(source, by)).toBe(result);
	});

	it('moves within its block alone', () => {
		expect(moved('@media (x) { c {} d {|} }', -1)).toBe('@media (x) { d {|} c {} }');
		expect(moved('@media (x) { c {} d {|} }', 1)).toBeUndefined();
		expect(moved('a {}\n\n|\n', -1)).toBeUndefined();
	});
});
