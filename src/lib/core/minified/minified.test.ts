import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseSheet, sliceOf, walk } from '../css/index.ts';
import { isInside, parsePage } from '../html/index.ts';
import { lineStarts, placeAt } from '../text/index.ts';
import { isMinified, layOut, linesInFile, placeInFile, textInFile, type TextKind } from './index.ts';

const edited = (source: string, edit: (laid: string) => string, kind: TextKind = 'sheet'): string => {
	const layout = layOut(source, kind);
	return textInFile(edit(layout.text), layout, kind);
};

describe('a minified sheet', () => {
	it('is laid out, a declaration a line', () => {
		const { text, own } = layOut(
			'/*! ours */@charset "x";a{b:c;d:url(data:x;y)}@media(width<9px){e,f>g:is(h,i){--j:{k:l;m};n:o;}p{}}\nq{r:"{;}"}',
			'sheet'
		);
		expect(text).toBe(`/*! ours */
@charset "x";
a{
  b:c;
  d:url(data:x;y)
}
@media(width<9px){
  e,f>g:is(h,i){
    --j:{k:l;m};
    n:o;
  }
  p{}
}
q{
  r:"{;}"
}`);
		expect(own).toEqual([0, 13]);
	});

	it('is not made longer without end by blocks in blocks', () => {
		const source = 'a{'.repeat(10_000);
		expect(layOut(source, 'sheet').text.length).toBeLessThan(source.length * 20);
		expect(edited(source, (laid) => laid)).toBe(source);
	});

	it('is recognised, and a sheet written by hand is not taken for one', () => {
		const rule = '.a{top:0;left:0;right:0;bottom:0}';
		expect(isMinified(rule.repeat(20), 'sheet')).toBe(true);
		expect(isMinified(`${rule}\n`.repeat(20), 'sheet')).toBe(false);
		expect(isMinified(`/*! kept */\n${rule.repeat(20)}\n/*# sourceMappingURL=a.map */`, 'sheet')).toBe(true);
		expect(
			isMinified(`.a {\n  background: url(data:image/png;base64,${'A'.repeat(900)});\n}\n`, 'sheet')
		).toBe(false);
		expect(isMinified('', 'sheet')).toBe(false);
	});

	it('keeps its bytes where nothing was changed', () => {
		const source = '/*! k */\na{b:c;d:e}f{g:h}\ni {\n  j: k;\n}\n';
		expect(edited(source, (laid) => laid)).toBe(source);
		expect(edited(source, (laid) => laid.replace('  d:e', '  d:f'))).toBe(source.replace('d:e', 'd:f'));
		// A new line as the layout has it is joined where its neighbours are, and stays where they stand on lines of the file.
		expect(edited(source, (laid) => laid.replace('  b:c;\n', '  b:c;\n  x:y;\n'))).toBe(
			source.replace('b:c;', 'b:c;x:y;')
		);
		expect(edited(source, (laid) => laid.replace('  j: k;\n', '  j: k;\n  x: y;\n'))).toBe(
			source.replace('  j: k;\n', '  j: k;\n  x: y;\n')
		);
		expect(edited(source, (laid) => laid.replace('f{\n  g:h\n}\n', ''))).toBe(
			source.replace('f{g:h}\n', '\n').replace('\n\ni', '\ni')
		);
		// What was typed in another way than the layout has it is kept as it was typed.
		expect(edited(source, (laid) => laid.replace('  d:e', '\n  /* why */\n  d:e'))).toBe(
			source.replace('d:e', '\n\n  /* why */d:e')
		);
	});

	it('has places in the file beside those of its layout', () => {
		const source = '/*! k */\na{b:c;d:e}f{g:h}\ni{j:k}';
		const layout = layOut(source, 'sheet');
		const lines = linesInFile(layout.text, layout, 'sheet');
		const starts = lineStarts(layout.text);
		for (const words of ['a{', 'b:c', 'd:e', '}f', 'g:h', 'j:k']) {
			const at = source.indexOf(words);
			const place = placeInFile(lines, placeAt(starts, layout.text.indexOf(words.replace('}', ''))));
			const before = source.slice(0, at + (words.startsWith('}') ? 1 : 0));
			expect(place).toEqual({
				line: before.split('\n').length,
				column: before.length - before.lastIndexOf('\n')
			});
		}
	});
});

describe('a page with a minified sheet', () => {
	const rules = Array.from({ length: 12 }, (_, i) => `.a${i}{top:0;left:0;right:0}`).join('');
	const source = `<title>a</title><style media=all>${rules}</style><p class=b style="top:0;left:0">&amp;{;}\n<style>\n.c { d: e }\n</style>\n<svg><style>a&gt;b{c:d;${rules}}</style></svg>`;

	it('is recognised, and laid out within its styles alone', () => {
		expect(isMinified(source, 'page')).toBe(true);
		expect(isMinified(source.replace(rules, ''), 'page')).toBe(false); // What is in SVG is no text of a sheet.
		const { text } = layOut(source, 'page');
		expect(text).toContain(`<style media=all>\n.a0{\n  top:0;\n  left:0;\n  right:0\n}\n.a1{`);
		expect(text).toContain('right:0\n}\n</style><p class=b');
		expect(text.endsWith(source.slice(source.indexOf('</style><p')))).toBe(true);
	});

	it('keeps its bytes, and gets what was changed', () => {
		expect(edited(source, (laid) => laid, 'page')).toBe(source);
		const change = (laid: string): string =>
			laid.replace('.a1{\n', '.a1{\n  order:1;\n').replace('class=b', 'class="b x"');
		expect(edited(source, change, 'page')).toBe(
			source.replace('.a1{', '.a1{order:1;').replace('class=b', 'class="b x"')
		);
		const layout = layOut(source, 'page');
		const place = placeAt(lineStarts(layout.text), layout.text.indexOf('.a1{'));
		expect(placeInFile(linesInFile(layout.text, layout, 'page'), place)).toEqual({
			line: 1,
			column: source.indexOf('.a1{') + 1
		});
	});
});

describe('any sheet', () => {
	const piece = fc.constantFrom(
		...[
			'{',
			'}',
			';',
			':',
			'--a:',
			'b',
			'.c',
			' ',
			'\n',
			'\n  ',
			'\n    ',
			'/*d*/',
			'"e;"',
			'(',
			')',
			'url(f;g)',
			'@h ',
			'['
		],
		...['b:c;', 'a{', 'x{y:z}']
	);
	const sheet = fc.array(piece, { maxLength: 30 }).map((pieces) => pieces.join(''));

	/** What a sheet says, without the white space around it. */
	const said = (text: string): unknown[] =>
		[...walk(parseSheet(text))].map((node) => [
			node.kind,
			'prelude' in node ? sliceOf(text, node.prelude).replace(/\s/g, '') : '',
			node.kind === 'declaration' ? [node.property, sliceOf(text, node.value)] : ''
		]);

	it('says the same in its layout, which a second one leaves as it is', () => {
		fc.assert(
			fc.property(sheet, (source) => {
				const { text } = layOut(source, 'sheet');
				expect(said(text)).toEqual(said(source));
				expect(layOut(text, 'sheet').text).toBe(text);
				expect(text.replace(/\s/g, '')).toBe(source.replace(/\s/g, ''));
			}),
			{ numRuns: 2000 }
		);
	});

	it('comes out of its layout as it went in, and with an edit is laid out as it was edited', () => {
		fc.assert(
			fc.property(sheet, fc.nat(), fc.nat(12), sheet, (source, place, length, put) => {
				expect(edited(source, (laid) => laid)).toBe(source);
				const layout = layOut(source, 'sheet');
				const start = place % (layout.text.length + 1);
				const after = layout.text.slice(0, start) + put + layout.text.slice(start + length);
				const inFile = textInFile(after, layout, 'sheet');
				// All but the breaks that a layout adds anyway.
				expect(layOut(inFile, 'sheet').text).toBe(layOut(after, 'sheet').text);
			}),
			{ numRuns: 3000 }
		);
	});

	const long = 'a{b:c;d:e}'.repeat(30);
	const markup = [
		'<style>',
		`<style>${long}`,
		'</style>',
		'<p>',
		'<svg>',
		'</svg>',
		'<!--',
		'-->',
		'<script>'
	];
	const page = fc
		.array(fc.oneof(fc.constantFrom(...markup, '</script>'), piece), { maxLength: 30 })
		.map((pieces) => pieces.join(''));

	/** The elements of a page, with what its `<style>`s say. */
	const shown = (source: string): unknown[] =>
		parsePage(source).elements.map((element) =>
			element.tag === 'style' && !isInside(element, 'svg') ? said(element.text) : [element.tag, element.text]
		);

	it('in a page, too, and nothing else of the page changes', () => {
		fc.assert(
			fc.property(page, fc.nat(), fc.nat(12), page, (source, place, length, put) => {
				const layout = layOut(source, 'page');
				expect(textInFile(layout.text, layout, 'page')).toBe(source);
				expect(shown(layout.text)).toEqual(shown(source));
				expect(layOut(layout.text, 'page').text).toBe(layout.text);
				const start = place % (layout.text.length + 1);
				const after = layout.text.slice(0, start) + put + layout.text.slice(start + length);
				expect(shown(textInFile(after, layout, 'page'))).toEqual(shown(after));
			}),
			{ numRuns: 1500 }
		);
	});
});
