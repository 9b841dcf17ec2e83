import { describe, expect, it } from 'vitest';
import { applyChanges } from '../text/index.ts';
import { followedMove, parsers, readdressed, withoutSheet } from './index.ts';

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
		applyChanges(text, followedMove(kind, text, path, { from, to }, BY));

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
	expect(applyChanges(PAGE, withoutSheet('page', PAGE, 'sub/a.html', 'css/a.css', BY))).toBe(
		PAGE.replace('<link rel="stylesheet" href="../css/a.css?v=2">\n', '').replace(
			'@import "../css/a.css";\n',
			''
		)
	);
	expect(applyChanges(SHEET, withoutSheet('sheet', SHEET, 'css/a.css', 'css/b.css', BY))).toBe(
		SHEET.replace('@import url(b.css);', '')
	);
});
