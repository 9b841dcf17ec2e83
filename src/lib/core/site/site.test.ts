import { describe, expect, it } from 'vitest';
import { sliceOf } from '../css/index.ts';
import { parsePage } from '../html/index.ts';
import { NOTHING, printIntervalSet } from '../interval/index.ts';
import { bandsOf, solverOf } from '../media/index.ts';
import { PLAIN } from '../vantage/index.ts';
import {
	addressOf,
	relativeAddress,
	conditionsOfPage,
	conditionNotes,
	flattenSheet,
	forceOf,
	normalPath,
	parsers,
	readPageAhead,
	readdressed,
	referencesOfPage,
	referencesOfSheet,
	resolveAddress,
	sheetsOfPage,
	sourcesOf
} from './index.ts';

const of = (files: Record<string, string>) => sourcesOf((path) => files[path]);

describe('addresses', () => {
	it.each([
		['img/a b.png', 'css/deep/a.css', '../../img/a%20b.png'],
		['css/img/a.png', 'css/a.css', 'img/a.png'],
		['a.png', 'index.html', 'a.png']
	])('%s in %s is %s, and leads there', (path, from, address) => {
		expect(relativeAddress(path, from)).toBe(address);
		expect(resolveAddress(address, from)).toEqual({ kind: 'site', path });
	});

	it.each([
		['a.css', 'index.html', { kind: 'site', path: 'a.css' }],
		['../img/x%20y.png?v=3#z', 'css/a.css', { kind: 'site', path: 'img/x y.png' }],
		['../../../x.png', 'css/a.css', { kind: 'site', path: 'x.png' }],
		['/x.png', 'deep/er/a.css', { kind: 'site', path: 'x.png' }],
		['./', 'boats/a.html', { kind: 'site', path: 'boats/index.html' }],
		['?page=2', 'boats/a.html', { kind: 'site', path: 'boats/a.html' }],
		['//host.test/x', 'a.html', { kind: 'outside', address: '//host.test/x' }],
		['https://host.test/x', 'a.html', { kind: 'outside', address: 'https://host.test/x' }],
		['mailto:a@host.test', 'a.html', { kind: 'outside', address: 'mailto:a@host.test' }],
		['#top', 'a.html', { kind: 'none' }],
		['data:,x', 'a.html', { kind: 'none' }],
		[' javascript:x() ', 'a.html', { kind: 'none' }]
	])('%s in %s', (address, from, target) => {
		expect(resolveAddress(address, from)).toEqual(target);
	});

	it('are written from the root', () => {
		expect(addressOf('img/x y#.png', '/')).toBe('/img/x%20y%23.png');
		expect(normalPath('a/./b//../c')).toBe('a/c');
	});
});

it('a page is read ahead in steps with all its sheets, so that nothing is left to read', () => {
	const rules = Array.from({ length: 400 }, (_, i) => `.part-${i} { margin: ${i}px }\n`).join('');
	const files: Record<string, string> = {
		'a.css': `@import 'b.css';\n${rules}`,
		'b.css': `@import 'a.css';\n${rules}`,
		'c.css': rules
	};
	const source = `<link rel=stylesheet href=a.css><style>i { color: red }</style>${'<p>words</p>'.repeat(3000)}`;
	const by = parsers();
	const steps = [...readPageAhead(by, 'index.html', source, (path) => files[path])];
	expect(steps.length).toBeGreaterThan(20);
	expect(by.page.knows(source)).toBe(true);
	expect(['a.css', 'b.css', 'c.css'].map((path) => by.sheet.knows(files[path] ?? ''))).toEqual([
		true,
		true,
		false
	]);
	expect(by.sheet.knows('i { color: red }')).toBe(true);
	expect([...readPageAhead(by, 'index.html', source, (path) => files[path])]).toEqual([]);
});

describe('sheets of a page', () => {
	it('come in the order of the page, without those that do not count', () => {
		const source = `<base href="/site/"><link rel=stylesheet href=a.css><style media=print>x{}</style>
<link rel="alternate stylesheet" title=B href=b.css><link rel=stylesheet disabled href=c.css><noscript><link rel=stylesheet href=n.css></noscript>
<link rel=stylesheet title=D href=d.css><link rel=stylesheet title=E href=e.css><link rel=stylesheet href="https://host.test/f.css"><style type=text/less>y</style>`;
		const page = of({}).page(source);
		expect(
			sheetsOfPage(page, 'p.html').map(({ from, media }) => [
				from.kind === 'file' ? from.path : from.kind,
				media
			])
		).toEqual([
			['site/a.css', ''],
			['inline', 'print'],
			['site/d.css', ''],
			['outside', '']
		]);
	});
});

describe('flattenSheet', () => {
	it('puts imports in place with their conditions, and resolves addresses where they stand', () => {
		const sources = of({
			'css/a.css':
				'@import "sub/b.css" layer(low) supports(display: grid) (width > 5px);\na { background: url(x.png) }',
			'css/sub/b.css': '@import url(missing.css);\nb { background: url("../y z.png") }'
		});
		expect(flattenSheet(sources.text('css/a.css') ?? '', 'css/a.css', sources, '/')).toBe(
			'@media (width > 5px) {\n@supports (display: grid) {\n@layer low {\n\nb { background: url("/css/y%20z.png") }\n}\n}\n}\na { background: url("/css/x.png") }'
		);
	});

	it('closes what an import leaves open, and stops at a circle', () => {
		const sources = of({ 'a.css': '@import "b.css" screen;\na{}', 'b.css': '@import "a.css";\nb { c: "d' });
		expect(flattenSheet(sources.text('a.css') ?? '', 'a.css', sources, '/')).toBe(
			'@media screen {\n\nb { c: "d"}\n}\na{}'
		);
	});

	it('leaves strings, namespaces, outside addresses and late imports alone', () => {
		const text =
			'@namespace x url(http://n.test/);a { content: "url(x.png)"; b: url(https://host.test/y) } @import "z.css";';
		expect(flattenSheet(text, 'a.css', of({}), '/')).toBe(text);
		expect(
			flattenSheet('a { b: image-set("x.png" 1x, url(y.png) type("image/png")) }', 'c/a.css', of({}), '/p/')
		).toBe('a { b: image-set(url("/p/c/x.png") 1x, url("/p/c/y.png") type("image/png")) }');
	});
});

describe('conditions of a page', () => {
	const files = {
		'p.html': `<link rel=stylesheet media="(width < 900px)" href=a.css><style>@media (width >= 500px) { @media (width < 450px) { i {} } a {} }</style>
<picture><source media="(max-width: 599px)" srcset=t.png><img sizes="(min-width: 700px) 45vw, 90vw" src=i.png></picture>`,
		'a.css':
			'@import "b.css" (width > 300px); @supports (x: y) { @media (width >= 1000px) { a {} } @media (width > 800px) { a { @media (width > 820px) { b: c } } } } @container (width > 5px) { a {} }',
		'b.css': '@media (width > 200px) { a {} } @media (width > 400px) { a {} }'
	};
	const sources = of(files);
	const conditions = conditionsOfPage(sources.page(files['p.html']), 'p.html', sources);

	it('are found wherever they stand, with their places', () => {
		const texts = conditions.media.map(({ file, span }) => sliceOf(files[file as keyof typeof files], span));
		expect(texts).toEqual([
			'media="(width < 900px)"',
			'(width > 300px)',
			'(width > 200px)',
			'(width > 400px)',
			'(width >= 1000px)',
			'(width > 800px)',
			'(width > 820px)',
			'(width >= 500px)',
			'(width < 450px)',
			'media="(max-width: 599px)"',
			'sizes="(min-width: 700px) 45vw, 90vw"'
		]);
		expect(conditions.others.map(({ kind, text }) => `${kind} ${text}`)).toEqual([
			'supports (x: y)',
			'container (width > 5px)'
		]);
	});

	it('make thresholds only where those around them hold', () => {
		const { thresholds } = bandsOf(conditions.media, solverOf(PLAIN));
		expect(thresholds.map(({ cut }) => Number(cut.at.n))).toEqual([300, 400, 500, 599, 700, 800, 820, 900]);
	});
});

describe('forceOf', () => {
	const files = {
		'p.html':
			'<link rel=stylesheet media="(width < 900px)" href=a.css><style>@media (width >= 500px) { i {} }</style>',
		'a.css':
			'@import "b.css" (width > 300px); p {} @media (width >= 700px) { a { b {} } @supports (x: y) { c {} } }',
		'b.css': 'q {}'
	};
	const sources = of(files);
	const { places } = conditionsOfPage(sources.page(files['p.html']), 'p.html', sources);
	const shown = (file: keyof typeof files): string[] =>
		forceOf(file, places, sources, solverOf(PLAIN)).map(
			({ span, widths }) => `${sliceOf(files[file], span).replace(/ \{.*/, '')}: ${printIntervalSet(widths)}`
		);

	it('gives each rule the widths that all around it leave', () => {
		expect(shown('a.css')).toEqual([
			'p: <900',
			'@media (width >= 700px): 700–<900',
			'a: 700–<900',
			'b: 700–<900',
			'c: 700–<900'
		]);
		expect(shown('b.css')).toEqual(['q: 300<–<900']);
		expect(shown('p.html')).toEqual(['@media (width >= 500px): ≥500', 'i: ≥500']);
	});

	it('gives a rule that a stray semicolon makes browsers drop no widths at all', () => {
		const text = 'a {} ; b { c {} } d {} @media (width > 5px) { ; e {} f {} }';
		const dropping = of({ 'a.css': text });
		const page = dropping.page('<link rel=stylesheet href=a.css>');
		const { places: at } = conditionsOfPage(page, 'p.html', dropping);
		const none = forceOf('a.css', at, dropping, solverOf(PLAIN)).filter(
			({ widths }) => widths.cuts.length === 0 && !widths.startsInside
		);
		expect(none.map(({ span }) => sliceOf(text, span))).toEqual(['; b { c {} }', 'c {}', '; e {}']);
	});

	it('joins the places of a sheet that a page has twice', () => {
		const twice = of({ 'a.css': 'p {}' });
		const page = twice.page(
			'<link rel=stylesheet media="(width < 300px)" href=a.css><link rel=stylesheet media="(width > 500px)" href=a.css>'
		);
		const [rule] = forceOf('a.css', conditionsOfPage(page, 'p.html', twice).places, twice, solverOf(PLAIN));
		expect(printIntervalSet(rule?.widths ?? NOTHING)).toBe('<300, >500');
	});
});

describe('references', () => {
	it('name all that a page and a sheet ask for', () => {
		const source = `<link rel=icon href=i.ico><link rel=stylesheet href=a.css><img src=p.png srcset="q.png 2x"><video src=f.webm poster=s.png></video>
<a href=other.html>x</a><p style="background: url(b.png)"></p><style>@font-face { src: url(w.woff2) } @import "late.css"</style><script src=https://cdn.test/x.js></script>`;
		const sources = of({});
		const names = referencesOfPage(sources.page(source), 'p.html', sources).map(
			({ kind, target }) => `${kind} ${target.kind === 'site' ? target.path : target.address}`
		);
		expect(names).toEqual([
			'picture i.ico',
			'sheet a.css',
			'picture p.png',
			'picture q.png',
			'film f.webm',
			'picture s.png',
			'page other.html',
			'picture b.png',
			'font w.woff2',
			'sheet late.css',
			'script https://cdn.test/x.js'
		]);
		expect(referencesOfSheet(sources.sheet('a { b: url(../x.png) }'), 'css/a.css')).toEqual([
			{ kind: 'picture', target: { kind: 'site', path: 'x.png' }, from: 'css/a.css' }
		]);
	});
});

describe('what conditions come to', () => {
	const css = `@media (width >= 600px) {
	a { b: c }
	@media (width < 500px) { a { b: c } }
	@media (width < 900px) { a { b: c } }
}
@media (width < 500px) and (width > 700px) { a { b: c } }
@media (min-width: 0px) { a { b: c } }
@media (hover: none) { a { b: c } }
@media (hover) and (width > 1px) { a { b: c } }
@media (min-width: 600px) { a { b: c } }`;

	it('is said in words, with the line of the first that comes to the same', () => {
		const sources = sourcesOf((file) => (file === 'a.css' ? css : undefined));
		const page = parsePage('<link rel=stylesheet href=a.css>');
		const { places } = conditionsOfPage(page, 'index.html', sources);
		const said = conditionNotes('a.css', places, sources, solverOf(PLAIN));
		expect(said.map(({ at, words }) => [css.slice(0, at).split('\n').length, words])).toEqual([
			[1, '≥600'],
			[3, 'never: what is around it holds ≥600'],
			[4, '600–<900'],
			[6, 'never: its parts exclude each other'],
			[7, 'always'],
			[8, 'not in the lead’s vantage'],
			[9, '>1, in the lead’s vantage'],
			[10, '≥600, same as line 1']
		]);
	});
});

it('rewrites addresses for another file, and those alone that lead from where they stand', () => {
	const text =
		"@import url(a.css?v=1);\na { b: url('../img/x.svg#y') url(/root.svg) url(https://x.test/z) url(data:,) }";
	expect(readdressed('sheet', text, { from: 'css/a/one.css', to: 'two.css' })).toBe(
		"@import url(css/a/a.css?v=1);\na { b: url('css/img/x.svg#y') url(/root.svg) url(https://x.test/z) url(data:,) }"
	);
	expect(readdressed('sheet', text, { from: 'css/a/one.css', to: 'css/a/two.css' })).toBe(text);
});
