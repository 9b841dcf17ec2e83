import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges, inverted, type Change, refuse } from '../../text/index.ts';
import { parseSheet, sliceOf, walk, type Declaration, type Rule, type Sheet } from '../index.ts';
import { said, SHEETS } from './sheets.fixture.ts';
import {
	declarationIn,
	newRule,
	removeDeclaration,
	renameDeclaration,
	setDeclaration,
	spreadRule,
	removeWithEmptied,
	writeInto,
	type DeclarationRequest
} from './index.ts';

const ruleOf = (sheet: Sheet, selector: string): Rule | undefined =>
	sheet.children.find(
		(node): node is Rule => node.kind === 'rule' && sliceOf(sheet.source, node.prelude) === selector
	);

/** A sheet after a property of its rule `a` was set. */
function set(source: string, property: string, value: string, important = false): string {
	const sheet = parseSheet(source);
	const rule = ruleOf(sheet, 'a');
	return rule ? applyChanges(source, setDeclaration(sheet, rule, { property, value, important })) : source;
}

describe('a declaration', () => {
	it.each([
		['a { color: red }', 'color', 'blue', 'a { color: blue }'],
		['a { color: red; COLOR: lime /* l */; }', 'color', 'blue', 'a { color: red; COLOR: blue /* l */; }'],
		['a { margin: 0 }', 'color', 'blue', 'a { margin: 0; color: blue }'],
		['a { margin: 0; }', 'color', 'blue', 'a { margin: 0; color: blue; }'],
		['a{margin:0}', 'color', 'blue', 'a{margin:0; color:blue}'],
		[
			'a {\n\tmargin: 0;\n\tcolor: red;\n}\n',
			'margin-top',
			'1px',
			'a {\n\tmargin: 0;\n\tmargin-top: 1px;\n\tcolor: red;\n}\n'
		],
		[
			'a {\n  margin: 0; /* of the page */\n  b { c: d }\n}\n',
			'color',
			'blue',
			'a {\n  margin: 0; /* of the page */\n  color: blue;\n  b { c: d }\n}\n'
		],
		['a {}\nb {\n  c: d;\n}', 'color', 'blue', 'a {\n  color: blue;\n}\nb {\n  c: d;\n}'],
		['a { }\nb { c: d }', 'color', 'blue', 'a { color: blue }\nb { c: d }'],
		['a { b { c: d } }', 'color', 'blue', 'a { color: blue; b { c: d } }'],
		['a { --X: 1; --x: 2 }', '--X', '3', 'a { --X: 3; --x: 2 }']
	])('%j with %s: %s', (source, property, value, result) => {
		expect(set(source, property, value)).toBe(result);
	});

	it.each([
		// In the order of the alphabet, where the sheet has it so.
		[
			'a { b: 1; d: 2 } x { b: 1; c: 2; d: 3; e: 4 } y { b: 1; c: 2; d: 3; e: 4 } z { b: 1; c: 2; d: 3 }',
			'c',
			'a { b: 1; c: 9; d: 2 }'
		],
		[
			'a { d: 2 } x { b: 1; c: 2; d: 3; e: 4 } y { b: 1; c: 2; d: 3; e: 4 } z { b: 1; c: 2; d: 3 }',
			'c',
			'a { c: 9; d: 2 }'
		],
		// As other rules have it, where it has not.
		['a { y: 1; d: 2 } x { y: 1; q: 2; d: 3 }', 'q', 'a { y: 1; q: 9; d: 2 }'],
		['a { d: 1; y: 2 } x { q: 2; d: 3; b: 0 }', 'q', 'a { q: 9; d: 1; y: 2 }'],
		// With its family before all else; at the end where nothing tells.
		[
			'a { gap-x: 1; y: 1; d: 2 } x { y: 1; gap-y: 2; d: 3 }',
			'gap-y',
			'a { gap-x: 1; gap-y: 9; y: 1; d: 2 }'
		],
		['a { y: 1; d: 2 } x { y: 1; d: 3 }', 'q', 'a { y: 1; d: 2; q: 9 }']
	])('has its place in %j: %s', (source, property, result) => {
		expect(set(source, property, '9').slice(0, result.length)).toBe(result);
	});

	it.each([
		['a { b: 0 } x { b: #AAF; c: #FFF }', '1px #abcdef #12', 'a { b: 1px #ABCDEF #12 }'],
		['a { b: 0 } x { b: #aaf; c: #BBB; d: #ccc }', '#ABC url(#ABC)', 'a { b: #abc url(#ABC) }'],
		["a { } x { b: 'c' }", '"d" "e\'s"', "a { b: 'd' \"e's\" }"],
		['a { } x { b: #123 }', '#Abc "d"', 'a { b: #Abc "d" }']
	])('is spelled as in %j: %s', (source, value, result) => {
		expect(set(source, 'b', value).slice(0, result.length)).toBe(result);
	});

	it('keeps, takes and loses its flag', () => {
		expect(set('a { b: c !important }', 'b', 'd', true)).toBe('a { b: d !important }');
		expect(set('a { b: c }', 'b', 'c', true)).toBe('a { b: c !important }');
		expect(set('a { b: c !important; d: e }', 'b', 'c')).toBe('a { b: c; d: e }');
	});

	it.each([
		['a {\n\tb: c;\n\td: e;\n}', 'd', 'a {\n\tb: c;\n}'],
		['a {\n\tb: c; /* why */\n\td: e;\n}', 'b', 'a {\n\t/* why */\n\td: e;\n}'],
		['a { b: c; d: e }', 'b', 'a { d: e }'],
		['a { b: c; d: e }', 'd', 'a { b: c; }']
	])('goes out of %j: %s', (source, property, result) => {
		const sheet = parseSheet(source);
		const rule = ruleOf(sheet, 'a');
		const one = rule && declarationIn(rule, property);
		expect(one && applyChanges(source, removeDeclaration(sheet, one))).toBe(result);
	});

	it.each([
		['a { b: c }\n\n@media (x) {\n\ta {\n\t\tb: d;\n\t}\n}\n\ne { f: g }\n', 'a { b: c }\n\ne { f: g }\n'],
		['a { b: c }\n\n@media (x) {\n\ta { b: d }\n}\n', 'a { b: c }\n'],
		['@media (x) {\n\te { f: g }\n\n\ta {\n\t\tb: d;\n\t}\n}\n', '@media (x) {\n\te { f: g }\n}\n'],
		['@media (x) { /* n */ a { b: d } }\n', '@media (x) { /* n */ a { } }\n'],
		['@media (x) {\n\t/* of a */\n\ta {\n\t\tb: d;\n\t}\n}\n', '@media (x) {\n\t/* of a */\n\ta {\n\t}\n}\n'],
		['a { b: d } e { f: g }', 'e { f: g }'],
		['a { b: d; f: g }', 'a { f: g }']
	])('leaves nothing empty behind: %j', (source, result) => {
		const sheet = parseSheet(source);
		const one = [...walk(sheet)].find(
			(node): node is Declaration => node.kind === 'declaration' && sliceOf(source, node.span) === 'b: d'
		);
		expect(one && applyChanges(source, removeWithEmptied(sheet, one))).toBe(result);
	});

	it('is given another name', () => {
		const sheet = parseSheet('a { margin-LEFT : 1px }');
		const rule = ruleOf(sheet, 'a');
		const one = rule && declarationIn(rule, 'margin-left');
		expect(one && applyChanges(sheet.source, renameDeclaration(one, 'margin-inline-start'))).toBe(
			'a { margin-inline-start : 1px }'
		);
	});
});

const WIDE = {
	text: '(width >= 700px)',
	same: (query: string) => query === '(width >= 700px)',
	before: (query: string) => query === '(width >= 900px)'
};
const GAP: DeclarationRequest = { property: 'gap', value: '20px' };

/** Changes of writing into a sheet; `a` is what is overridden. */
function changesOf(
	sheet: Sheet,
	selector: string,
	condition: typeof WIDE | null,
	requested = GAP
): readonly Change[] {
	const base = ruleOf(sheet, 'a');
	const done = writeInto(sheet, { selector, condition, ...(base ? { base } : {}) }, requested);
	return done.ok ? done.value.changes : [];
}
const into = (source: string, condition: typeof WIDE | null, selector = 'a'): string =>
	applyChanges(source, changesOf(parseSheet(source), selector, condition));

describe('a value written into a band', () => {
	it.each([
		[
			'the rule of the block that is there',
			'a { b: c }\n@media (width >= 700px) { a { gap: 1px } }',
			'a { b: c }\n@media (width >= 700px) { a { gap: 20px } }'
		],
		[
			'a new rule of that block',
			'a { b: c }\n@media (width >= 700px) {\n\td { e: f }\n}',
			'a { b: c }\n@media (width >= 700px) {\n\td { e: f }\n\ta { gap: 20px }\n}'
		],
		[
			'no block that it would lose to',
			'@media (width >= 700px) { a { gap: 1px } }\na { b: c }\n',
			'@media (width >= 700px) { a { gap: 1px } }\na { b: c }\n@media (width >= 700px) {\n\ta { gap: 20px }\n}\n'
		],
		[
			'a block beside the rule, after its others, where conditions stand so',
			'a {\n  b: c;\n}\n\n@media (x) {\n  a {\n    b: d;\n  }\n}\n\ne {\n  f: g;\n}\n',
			'a {\n  b: c;\n}\n\n@media (x) {\n  a {\n    b: d;\n  }\n}\n\n@media (width >= 700px) {\n  a {\n    gap: 20px;\n  }\n}\n\ne {\n  f: g;\n}\n'
		],
		[
			'a block at the end, where conditions stand so',
			'a {\n\tb: c;\n}\n\ne {\n\tf: g;\n}\n\n@media (x) {\n\te {\n\t\tf: h;\n\t}\n}\n',
			'a {\n\tb: c;\n}\n\ne {\n\tf: g;\n}\n\n@media (x) {\n\te {\n\t\tf: h;\n\t}\n}\n\n@media (width >= 700px) {\n\ta {\n\t\tgap: 20px;\n\t}\n}\n'
		],
		[
			'the rule itself, where conditions are nested',
			'a {\n\tb: c\n}\n\ne {\n\tf: g;\n\n\t@media (x) {\n\t\tf: h;\n\t}\n}\n',
			'a {\n\tb: c;\n\n\t@media (width >= 700px) {\n\t\tgap: 20px;\n\t}\n}\n\ne {\n\tf: g;\n\n\t@media (x) {\n\t\tf: h;\n\t}\n}\n'
		]
	])('%s', (_, source, result) => {
		expect(into(source, WIDE)).toBe(result);
	});

	it.each([
		[
			'end',
			'a {\n\tb: c;\n}\n\n@media (width >= 500px) {\n\td {\n\t\te: f;\n\t}\n}\n\n/* wide */\n@media (width >= 900px) {\n\ta {\n\t\tb: d;\n\t}\n}\n',
			'a {\n\tb: c;\n}\n\n@media (width >= 500px) {\n\td {\n\t\te: f;\n\t}\n}\n\n@media (width >= 700px) {\n\ta {\n\t\tgap: 20px;\n\t}\n}\n\n/* wide */\n@media (width >= 900px) {\n\ta {\n\t\tb: d;\n\t}\n}\n'
		],
		[
			'beside',
			'a { b: c }\n@media (width >= 900px) {\n\ta { b: d }\n}\ne { f: g }\n',
			'a { b: c }\n@media (width >= 700px) {\n\ta { gap: 20px }\n}\n@media (width >= 900px) {\n\ta { b: d }\n}\ne { f: g }\n'
		],
		[
			'nested',
			'a {\n\tb: c;\n\n\t@media (width >= 900px) {\n\t\tb: d;\n\t}\n}\n',
			'a {\n\tb: c;\n\n\t@media (width >= 700px) {\n\t\tgap: 20px;\n\t}\n\n\t@media (width >= 900px) {\n\t\tb: d;\n\t}\n}\n'
		]
	])('a new block stands before a finer one: %s', (_, source, result) => {
		expect(into(source, WIDE)).toBe(result);
	});

	it('keeps a list of selectors a selector a line, in the block’s indentation', () => {
		expect(into('a { b: c }\n@media (width >= 700px) {\n\td { e: f }\n}\n', WIDE, 'x,\ny')).toContain(
			'\n\tx,\n\ty { gap: 20px }\n}'
		);
	});

	it('comes after the rule of the same selector, where nothing else is to be overridden', () => {
		const source = '@media (width >= 700px) { d { e: f } }\nx { y: z }\n';
		expect(into(source, WIDE, 'x')).toBe(`${source}@media (width >= 700px) {\n\tx { gap: 20px }\n}\n`);
	});

	it('comes after the condition that decides so far', () => {
		const sheet = parseSheet('@media (width >= 700px) { a { gap: 1px } }\n@media (x) { a { gap: 2px } }\n');
		const base = [...walk(sheet)].findLast((node) => node.kind === 'rule');
		const done = writeInto(sheet, { selector: 'a', condition: WIDE, ...(base ? { base } : {}) }, GAP);
		expect(done.ok && applyChanges(sheet.source, done.value.changes)).toBe(
			`${sheet.source}@media (width >= 700px) {\n\ta { gap: 20px }\n}\n`
		);
	});

	it('or into a new rule after what it overrides, in its layer', () => {
		expect(into('a { b: c } /* of a */\nd { e: f }\n', null, 'a b')).toBe(
			'a { b: c } /* of a */\na b { gap: 20px }\nd { e: f }\n'
		);
		const sheet = parseSheet('@layer x {\n\ta { b: c }\n}\n');
		const base = [...walk(sheet)].find((node) => node.kind === 'rule');
		const done = writeInto(sheet, { selector: 'a', condition: WIDE, ...(base ? { base } : {}) }, GAP);
		expect(done.ok && applyChanges(sheet.source, done.value.changes)).toBe(
			'@layer x {\n\ta { b: c }\n\n\t@media (width >= 700px) {\n\t\ta { gap: 20px }\n\t}\n}\n'
		);
	});

	it('is refused, with the place, where its block is never closed', () => {
		const sheet = parseSheet('d { e: f }\n@media (width >= 700px) {\n\ta { b: c }\n');
		expect(writeInto(sheet, { selector: 'x', condition: WIDE }, GAP)).toEqual(
			refuse('The block that begins here is never closed.', 11)
		);
		expect(writeInto(sheet, { selector: 'x', condition: null }, GAP)).toMatchObject({ place: 35 });
	});
});

it('changes what is meant and nothing else, is taken back to the byte, and does nothing the second time', () => {
	fc.assert(
		fc.property(
			SHEETS,
			fc.constantFrom('a', 'a b', '.new'),
			fc.constantFrom(WIDE, null),
			(source, selector, condition) => {
				const changes = changesOf(parseSheet(source), selector, condition);
				const after = applyChanges(source, changes);
				expect(applyChanges(after, inverted(source, changes))).toBe(source);
				expect(changesOf(parseSheet(after), selector, condition)).toEqual([]);
				const [was, is] = [said(source), said(after)];
				expect(is.comments).toEqual(was.comments);
				const isMeant = (one: string): boolean =>
					condition === null
						? one.startsWith(`${selector} { gap: `)
						: /^(@media \(width >= 700px\) \{ .* \{|a \{ @media \(width >= 700px\) \{) gap: /.test(one);
				const others = (all: string[]): string[] => all.filter((one) => !isMeant(one));
				expect(others(is.declarations)).toEqual(others(was.declarations));
				expect(is.declarations.filter(isMeant).some((one) => one.endsWith('gap: 20px'))).toBe(true);
			}
		),
		{ numRuns: 600 }
	);
});

it('puts a rule that is too long for one line over lines, and no other', () => {
	const long = `.a { --one: clamp(1rem, 2vw, 3rem); --two: clamp(1rem, 2vw, 3rem); --three-of: clamp(1rem, 2vw, 3rem) }`;
	const spread = (source: string): string => {
		const sheet = parseSheet(source);
		const [rule] = sheet.children;
		return rule?.kind === 'rule' ? applyChanges(source, spreadRule(sheet, rule)) : '';
	};
	const lines = ['--one', '--two', '--three-of'].map((name) => `\t${name}: clamp(1rem, 2vw, 3rem)`);
	expect(spread(long)).toBe(`.a {\n${lines.join(';\n')}\n}`);
	expect(spread('.a { color: red; }')).toBe('.a { color: red; }');
});

it.each([
	['', null, '.x {\n\t|\n}\n'],
	['a { color: red }\nb { color: red }\n', null, 'a { color: red }\nb { color: red }\n.x {\n\t|\n}\n'],
	[
		'a {\n  top: 0;\n}\n\nb {\n  top: 0;\n}\n',
		'a',
		'a {\n  top: 0;\n}\n\n.x {\n  |\n}\n\nb {\n  top: 0;\n}\n'
	],
	[
		'@layer l {\n\ta {\n\t\ttop: 0;\n\t}\n}\n',
		'a',
		'@layer l {\n\ta {\n\t\ttop: 0;\n\t}\n\n\t.x {\n\t\t|\n\t}\n}\n'
	],
	[
		'@media print {\n\ta {\n\t\ttop: 0;\n\t}\n}\n',
		'a',
		'@media print {\n\ta {\n\t\ttop: 0;\n\t}\n}\n\n.x {\n\t|\n}\n'
	]
])('puts a rule without declarations into %j, with a place for the first', (source, beside, result) => {
	const sheet = parseSheet(source);
	const base = [...walk(sheet)].find(
		(node): node is Rule => node.kind === 'rule' && sliceOf(source, node.prelude) === beside
	);
	const written = newRule(sheet, '.x', base);
	if (!written.ok) throw new Error(written.sentence);
	const { changes, caret } = written.value;
	const text = applyChanges(source, changes);
	expect(`${text.slice(0, caret)}|${text.slice(caret)}`).toBe(result);
});
