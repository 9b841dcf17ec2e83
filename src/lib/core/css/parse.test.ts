import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	isCompiled,
	leadingComments,
	parseSheet,
	sliceOf,
	walk,
	type Block,
	type Node,
	type Sheet
} from './index.ts';
import { sheetOfParts } from './parse.ts';
import { partsIn } from './parts.ts';
import { readSheet } from './read.ts';

/** A sheet's nodes as nested lines, for comparing by eye. */
function outline(source: string): string[] {
	const lines = (block: Block, depth: number): string[] =>
		block.children.flatMap((node) => {
			const pad = '  '.repeat(depth);
			switch (node.kind) {
				case 'comment':
					return [`${pad}${sliceOf(source, node.span)}`];
				case 'declaration':
					return [`${pad}${node.property}=${sliceOf(source, node.value)}${node.important ? ' !' : ''}`];
				case 'rule':
					return [`${pad}${sliceOf(source, node.prelude)} {`, ...lines(node, depth + 1)];
				case 'at-rule':
					return [
						`${pad}@${node.name} ${sliceOf(source, node.prelude)}${node.block ? ' {' : ';'}`,
						...lines(node, depth + 1)
					];
			}
		});
	return lines(parseSheet(source), 0);
}

/** The text rebuilt from spans and the gaps between them; throws where spans overlap or leave their parent. */
function rebuild(sheet: Sheet): string {
	const { source } = sheet;
	const piece = (node: Node): string => {
		if (node.kind === 'comment' || node.kind === 'declaration') return sliceOf(source, node.span);
		if (!node.block) return sliceOf(source, node.span);
		return source.slice(node.span.start, node.block.start) + inner(node, node.block.start, node.block.end);
	};
	const inner = (block: Block, start: number, end: number): string => {
		let text = '';
		let at = start;
		for (const node of block.children) {
			if (node.span.start < at || node.span.end > end) throw new Error('Spans overlap.');
			text += source.slice(at, node.span.start) + piece(node);
			at = node.span.end;
		}
		return text + source.slice(at, end);
	};
	return inner(sheet, 0, source.length);
}

const sentences = (source: string): string[] => parseSheet(source).notes.map(({ sentence }) => sentence);

describe('parseSheet', () => {
	it('reads nesting with and without &, and declarations after nested rules', () => {
		expect(
			outline('.a { color: red; &:hover { x: y } b:hover { c: d } > i { e: f } margin: 0 !important }')
		).toEqual([
			'.a {',
			'  color=red',
			'  &:hover {',
			'    x=y',
			'  b:hover {',
			'    c=d',
			'  > i {',
			'    e=f',
			'  margin=0 !'
		]);
	});

	it('reads every at-rule of today, and carries those it does not know', () => {
		const source = `@charset "utf-8";
@import url("a.css") layer(base) supports(display: grid) screen and (width > 1px);
@layer base, top;
@layer base { a { b: c } }
@supports (display: grid) { a { b: c } }
@container side (width > 10px) { a { b: c } }
@scope (.x) to (.y) { :scope { b: c } img { d: e } }
@starting-style { a { b: c } }
@font-face { font-family: "X"; src: url(x.woff2) }
@keyframes k { from { a: b } 50% { c: d } }
@page :first { margin: 1in; @top-left { content: "x" } }
@property --p { syntax: "<length>"; inherits: false; initial-value: 0px }
@unheard-of some { anything; goes { here } }
@next-year x;`;
		const sheet = parseSheet(source);
		expect(sheet.notes).toEqual([]);
		expect(sheet.children.map((node) => (node.kind === 'at-rule' ? node.name : node.kind))).toEqual([
			'charset',
			'import',
			'layer',
			'layer',
			'supports',
			'container',
			'scope',
			'starting-style',
			'font-face',
			'keyframes',
			'page',
			'property',
			'unheard-of',
			'next-year'
		]);
		expect(sheet.children.at(-2)).toMatchObject({ opaque: true, children: [] });
		expect(outline(source)).toContain('  50% {');
		expect(outline(source)).toContain('  @top-left  {');
	});

	it('keeps values of custom properties whatever they hold', () => {
		expect(outline('a { --x: { a: b; c {} }; --Empty:; --y: [1; 2] !important; color: red }')).toEqual([
			'a {',
			'  --x={ a: b; c {} }',
			'  --Empty=',
			'  --y=[1; 2] !',
			'  color=red'
		]);
	});

	it('keeps comments anywhere, escapes, and names them as CSS does', () => {
		expect(outline('/* a */ .b\\:c /* d */ { c\\6flor /* e */ : /* f */ red /* g */ ; /* h */ }')).toEqual([
			'/* a */',
			'.b\\:c /* d */ {',
			'  color=red',
			'  /* h */'
		]);
	});

	it('gives comments to the rule that follows', () => {
		const source = '/* far */\n\n/* one */\n/* two */\n.a { }\n.b { } /* beside */\n.c { }';
		const sheet = parseSheet(source);
		const [a, , c] = sheet.children.filter((node) => node.kind === 'rule');
		expect(leadingComments(source, a as Node).map(({ span }) => sliceOf(source, span))).toEqual([
			'/* one */',
			'/* two */'
		]);
		expect(leadingComments(source, c as Node)).toEqual([]);
	});

	it.each([
		['.sail {\n color: red;\n', 'The `{` at line 1 is never closed; everything after it belongs to `.sail`.'],
		['a { }\n}\np { b: c }', 'The `}` at line 2 closes nothing; browsers drop the rule after it, `p`.'],
		['a { }\n}', 'The `}` at line 2 closes nothing.'],
		[
			'a {\n color: red\n margin: 0;\n}',
			'A `;` is missing at the end of line 2; browsers drop `color` and `margin` both.'
		],
		[
			'a { color red; }',
			'`color red` at line 1 is no declaration: a property, a `:` and a value; browsers drop it.'
		],
		[
			'color: red;\na { b: c }',
			'`color: red` stands outside any rule; browsers drop it together with the rule after it, `a`.'
		],
		['@media (width > 1px) { color: red; }', '`color: red` stands outside any rule, so it has no effect.'],
		[
			'a { b: "x\n; }',
			'The string that begins at line 1 is not closed on its line; browsers drop the declaration it stands in.'
		],
		['a { }\n/* b', 'The comment that begins at line 2 is never closed; everything after it is comment.'],
		[
			'a { b: url(x y); }',
			'The address at line 1 holds a character that wants quotes; browsers drop the declaration it stands in.'
		],
		[
			'a { width: calc(1px; }\nb { }',
			'The `calc(` at line 1 is never closed; everything after it is taken as part of it.'
		],
		['.lonely', '`.lonely` at line 1 has no block; browsers drop it.']
	])('recovers from %j with a sentence', (source, sentence) => {
		expect(sentences(source)).toContain(sentence);
	});

	it('says nothing about sound sheets', () => {
		expect(sentences('a:hover, b { c: d } @media print { a { b: c } } .x { filter: progid:Y(a=1) }')).toEqual(
			[]
		);
	});

	const scrap = fc.constantFrom(
		'a',
		'.b',
		'{',
		'}',
		'(',
		')',
		'[',
		']',
		':',
		';',
		',',
		'"',
		"'",
		'/*',
		'*/',
		'\n',
		' ',
		'@media',
		'@x',
		'--y',
		'\\',
		'url(',
		'!important',
		'5px',
		'<!--',
		'-->',
		'#z',
		'&',
		'color',
		'é',
		'\u{1F6A2}'
	);
	const mess = fc.array(scrap, { maxLength: 40 }).map((parts) => parts.join(''));

	it('reads any text by its parts as in the whole', () => {
		const told = (sheet: Sheet): string =>
			JSON.stringify(sheet, (key, value: unknown) => (key === 'parent' ? undefined : value));
		const block = fc.constantFrom(
			'{a:b}',
			'a{b:c;d',
			'}\n',
			'@media (x){p{q:r}}',
			'x{background:url( y )}\n'
		);
		const odd = fc.constantFrom('url(', '\\75rl(', '\\u', 'my-url(a"', 'url(a b)', '\\62 x(', ')');
		const some = fc.array(scrap, { maxLength: 3 }).map((parts) => parts.join(''));
		const whole = fc.array(
			fc.oneof(
				{ weight: 6, arbitrary: block },
				{ weight: 1, arbitrary: odd },
				{ weight: 3, arbitrary: some }
			),
			{ maxLength: 12 }
		);
		let parted = 0;
		fc.assert(
			fc.property(whole, (pieces) => {
				const source = pieces.join('');
				const parts = partsIn(source);
				if (!parts) return;
				expect(parts.join('')).toBe(source);
				if (parts.length > 1) parted++;
				const sheet = sheetOfParts(source, parts);
				expect(told(sheet)).toBe(told(readSheet(source)));
				for (const node of walk(sheet)) expect(node.parent.children).toContain(node);
			}),
			{ numRuns: 6000 }
		);
		expect(parted).toBeGreaterThan(150);
	});

	it('rebuilds any text from spans and gaps, to the character', () => {
		fc.assert(
			fc.property(mess, (source) => void expect(rebuild(parseSheet(source))).toBe(source)),
			{ numRuns: 2000 }
		);
	});

	it('knows how to close what any text leaves open', () => {
		fc.assert(
			fc.property(mess, (source) => {
				const closed = source + parseSheet(source).closing;
				const after = parseSheet(`${closed}\n.tail { a: b }`);
				expect(parseSheet(closed).closing).toBe('');
				const tails = [...walk(after)].filter((node) =>
					sliceOf(after.source, node.span).endsWith('.tail { a: b }')
				);
				expect(tails.some((node) => node.parent.kind === 'sheet')).toBe(true);
			}),
			{ numRuns: 2000, examples: [['url(a"\\a'], ['url(a"\\'], ['url(a"\\a)'], ['url(\\a'], ['url(a"b)']] }
		);
	});
});

it('ten thousand blocks within one another are read as far as they can be, and said', () => {
	const sheet = parseSheet('a{'.repeat(10_000));
	expect([...walk(sheet)]).toHaveLength(256);
	expect(sheet.notes.some(({ kind, sentence }) => kind === 'too-deep' && sentence.includes('256 deep'))).toBe(
		true
	);
	expect(sheet.closing).toHaveLength(10_000);
});

it('knows a sheet that was compiled from another by its source map', () => {
	const name = (mark: string): string => `a { b: c }\n/*${mark} sourceMappingURL=a.css.map */\n`;
	expect([name('#'), name('@'), name(''), `${name('#')}d { e: f }`].map(isCompiled)).toEqual([
		true,
		true,
		false,
		false
	]);
});
