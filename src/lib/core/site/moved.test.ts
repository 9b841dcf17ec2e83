import { describe, expect, it } from 'vitest';
import { applyChanges } from '../text/index.ts';
import { followed, parsers, readdressed } from './index.ts';

const BY = parsers();
const PAGE = `<!doctype html>
<link rel="stylesheet" href="../css/a.css?v=2">
<link rel=stylesheet href=/css/b.css>
<style>
@import "../css/a.css";
p { background: url(../img/x.png) }
</style>
<a href="b.html#top">b</a> <a href="#here">here</a> <a href="?q=1">query</a>
<img src="../img/x%20y.png" srcset="../img/x.png 1x, ../img/x%20y.png 2x" style="background: url('../img/x.png')">
<img src="/img/x.png" alt="../img/x.png"><a href="https://x.test/css/a.css">away</a>
`;
const SHEET = `@import url(b.css);
p { background: url("../img/x.png#a") }
`;

describe('a file at another path', () => {
	const after = (kind: 'page' | 'sheet', text: string, path: string, from: string, to: string): string =>
		applyChanges(text, followed(kind, text, path, { from, to }, BY).changes);

	it('is still found by all that asks for it, and by nothing else', () => {
		expect(after('page', PAGE, 'sub/a.html', 'css/a.css', 'css/new/a b.css')).toBe(
			PAGE.replace('href="../css/a.css?v=2"', 'href="../css/new/a%20b.css?v=2"').replace(
				'"../css/a.css";',
				'"../css/new/a%20b.css";'
			)
		);
		expect(after('page', PAGE, 'sub/a.html', 'img/x.png', 'x.png')).toBe(
			PAGE.replaceAll('(../img/x.png)', '(../x.png)')
				.replace('"../img/x.png 1x', '"../x.png 1x')
				.replace("('../img/x.png')", "('../x.png')")
				.replace('src="/img/x.png"', 'src="/x.png"')
		);
		expect(after('sheet', SHEET, 'css/a.css', 'css/b.css', 'b.css')).toBe(SHEET.replace('b.css', '../b.css'));
	});

	it('is found from wherever a page leads, however its address is written', () => {
		const page = `<meta http-equiv=refresh content="5; url='a&amp;b.html?x=1&amp;y=2'">
<form action="a&#38;b.html?x=1&y=2"><button formaction=a&amp;b.html>b</button></form>
<svg><a xlink:href="./a&b.html#top"/></svg> <q cite="a%26b.html">q</q> <p title="a&amp;b.html">`;
		expect(after('page', page, 'index.html', 'a&b.html', 'c/d & e.html')).toBe(
			page
				.replaceAll(/(?:a&amp;|a&#38;|\.\/a&|a%26)b\.html/g, 'c/d%20%26%20e.html')
				.replace('title="c/d%20%26%20e.html', 'title="a&amp;b.html')
		);
	});

	it('is not followed where its address is written with escapes: nothing else is written over', () => {
		const sheet = 'p { background: url(" ../img/x\\20 y.png") }';
		expect(after('sheet', sheet, 'css/a.css', 'img/x y.png', 'img/z.png')).toBe(sheet);
	});

	it('finds what it asks for itself, a page its own links too', () => {
		expect(after('page', PAGE, 'sub/a.html', 'sub/a.html', 'a.html')).toBe(
			PAGE.replaceAll('../css/a.css', 'css/a.css')
				.replace('"b.html#top"', '"sub/b.html#top"')
				.replaceAll(/(?<!alt=")\.\.\/img/g, 'img')
		);
		expect(after('sheet', SHEET, 'css/a.css', 'css/a.css', 'css/deep/c.css')).toBe(
			SHEET.replace('b.css', '../b.css').replace('../img', '../../img')
		);
		expect(readdressed('page', PAGE, { from: 'sub/a.html', to: 'sub/c.html' })).toBe(PAGE);
	});
});

it('a deleted sheet is removed from the links and imports that bring it in', () => {
	const gone = (kind: 'page' | 'sheet', text: string, path: string, from: string) =>
		followed(kind, text, path, { from, to: null }, BY);
	const page = gone('page', PAGE, 'sub/a.html', 'css/a.css');
	expect(applyChanges(PAGE, page.changes)).toBe(
		PAGE.replace('<link rel="stylesheet" href="../css/a.css?v=2">\n', '').replace(
			'@import "../css/a.css";\n',
			''
		)
	);
	expect(page.asks).toBe(false);
	const sheet = gone('sheet', SHEET, 'css/a.css', 'css/b.css');
	expect(applyChanges(SHEET, sheet.changes)).toBe(SHEET.replace('@import url(b.css);', ''));
	// What cannot be removed goes on asking for it.
	expect(gone('page', PAGE, 'sub/a.html', 'img/x.png')).toEqual({ changes: [], asks: true });
	expect(gone('page', PAGE, 'sub/a.html', 'sub/a.html')).toEqual({ changes: [], asks: false });
});
