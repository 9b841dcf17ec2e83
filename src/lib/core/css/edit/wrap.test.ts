import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges } from '../../text/index.ts';
import { habitsOf, parseSheet, walk } from '../index.ts';
import { handOf, unwrapRules, wrapRules } from './index.ts';

/** A sheet with `|` at the ends of the selection, after rules were wrapped. */
function wrapped(marked: string, condition = '(width >= 700px)', join = false): string {
	const from = marked.indexOf('|');
	const to = marked.lastIndexOf('|') - (marked.lastIndexOf('|') === from ? 0 : 1);
	const source = marked.replaceAll('|', '');
	const same = (query: string): boolean => query === condition;
	return applyChanges(
		source,
		wrapRules(parseSheet(source), from, to, { condition, indent: '\t', join, same })
	);
}

describe('rules wrapped into a condition', () => {
	it.each([
		['a { b: |c }', '@media (width >= 700px) {\n\ta { b: c }\n}'],
		[
			'x { y: z }\n\n/* About a. */\na {\n\tb: |c;\n\n\td: e;\n}\nf { |g: h }\ni { j: k }\n',
			'x { y: z }\n\n@media (width >= 700px) {\n\t/* About a. */\n\ta {\n\t\tb: c;\n\n\t\td: e;\n\t}\n\tf { g: h }\n}\ni { j: k }\n'
		],
		['@layer a {\n\tb { |c: d }\n}\n', '@layer a {\n\t@media (width >= 700px) {\n\t\tb { c: d }\n\t}\n}\n'],
		['/* no | rule */\n', '/* no  rule */\n'],
		[
			'@keyframes k {\n\tfrom { |a: b }\n}\n',
			'@media (width >= 700px) {\n\t@keyframes k {\n\t\tfrom { a: b }\n\t}\n}\n'
		],
		['a { b: "c\\\n  d|"; e: f }', '@media (width >= 700px) {\n\ta { b: "c\\\n  d"; e: f }\n}'],
		['@import "x|";\na { b: c }', '@import "x";\na { b: c }']
	])('%j', (source, result) => {
		expect(wrapped(source)).toBe(result);
	});

	it('join a block of the same condition after them', () => {
		expect(
			wrapped('a { b: |c }\n\nd { e: f }\n\n@media (width >= 700px) {\n\tg { h: i }\n}\n', undefined, true)
		).toBe('d { e: f }\n\n@media (width >= 700px) {\n\tg { h: i }\n\n\ta { b: c }\n}\n');
		expect(wrapped('@media (width >= 700px) {\n}\na { b: |c }', undefined, true)).toBe(
			'@media (width >= 700px) {\n}\n@media (width >= 700px) {\n\ta { b: c }\n}'
		);
	});

	it('come out of it as they went in', () => {
		const source = '@layer x {\n\ta {\n\t\tb: c;\n\t}\n}\n';
		const inside = applyChanges(
			source,
			wrapRules(parseSheet(source), 14, 14, {
				condition: '(x)',
				indent: '\t',
				join: false,
				same: () => false
			})
		);
		expect(applyChanges(inside, unwrapRules(parseSheet(inside), inside.indexOf('b:'), '\t'))).toBe(source);
	});

	it('are the same rules as before, whatever is selected', () => {
		const piece = fc.constantFrom(
			'a { b: c }\n',
			'/* d */\n',
			'@media (x) {\n\te { f: g }\n}\n',
			'\n',
			'h { i: "}" }'
		);
		fc.assert(
			fc.property(fc.array(piece, { maxLength: 8 }), fc.nat(80), fc.nat(80), (pieces, at, length) => {
				const source = pieces.join('');
				const selectors = (text: string): string[] =>
					[...walk(parseSheet(text))].flatMap((node) =>
						node.kind === 'rule' ? text.slice(node.prelude.start, node.prelude.end) : []
					);
				const request = { condition: '(y)', indent: '\t', join: false, same: () => false };
				const changes = wrapRules(parseSheet(source), at, at + length, request);
				const after = applyChanges(source, changes);
				expect(selectors(after)).toEqual(selectors(source));
				expect(parseSheet(after).notes).toEqual(parseSheet(source).notes);
			})
		);
	});
});

it.each([
	['a {\n\tb: c\n}\n@media (min-width: 700px) and (max-width: 999.98px) {}', '\t', 'prefix', 'px', '0.02'],
	[
		'a {\n  b: c\n}\n@media (min-width: 40em) {}\n@media (max-width: 39.99em) {}',
		'  ',
		'prefix',
		'em',
		'0.01'
	],
	['a {\n    b: c\n}\n@media (width >= 700px) {}', '    ', 'range', 'px', '0.02'],
	['@media (max-width: 599px) {}', '\t', 'prefix', 'px', '1']
])('habits of %j', (source, indent, query, unit, less) => {
	const sheet = parseSheet(source);
	expect({ indent: handOf(sheet).indent, ...habitsOf(sheet) }).toEqual({ indent, query, unit, less });
});
